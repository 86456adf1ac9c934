import { createServer, type Server, type Socket } from 'node:net';
import {
  BadLine,
  holdAll,
  KEPT_MS,
  LONGEST_LINE,
  readDeviceLine,
  SILENT_MS,
  type DeviceKind,
  type Quantity,
  type Sample,
} from '@roskel/core';
import type { DeviceState } from '@roskel/contract';

/** How often windows are told what devices read, and that a still one is still there, ms. */
const TELL_MS = 250;
const STILL_THERE_MS = 1000;
/** What is no device is not listened to for longer, ms. */
const HELLO_MS = 5000;
/** One that went is told for as long, ms. */
const REMEMBERED_MS = 60_000;
const MOST_DEVICES = 16;
/** Bad lines after which a device is let go. */
const PATIENCE = 20;

interface Known {
  id: string;
  kind: DeviceKind;
  name: string;
  simulated: boolean;
  socket: Socket | null;
  fault: string | null;
  samples: Map<Quantity, Sample[]>;
  goneAt: number;
  /** When it last said anything. */
  heardAt: number;
  told: string;
  toldAt: number;
}

/** What devices in the house say over the line protocol (docs/formats/devices.md), and what of it may be taken. */
export class DeviceHub {
  /** Told whenever a device reads something else, and every second that it still does. */
  tell: (state: DeviceState) => void = () => undefined;
  port: number | null = null;
  private readonly known = new Map<string, Known>();
  private readonly sockets = new Set<Socket>();
  private readonly server: Server = createServer((socket) => this.meet(socket));
  private readonly beat = setInterval(() => this.look(), TELL_MS).unref();

  /** Listens on this machine only. A port that is taken is no reason not to cook: then no device can connect. */
  async listen(port: number): Promise<void> {
    this.port = await new Promise<number | null>((done) => {
      this.server.once('error', () => done(null));
      this.server.listen(port, '127.0.0.1', () => {
        const at = this.server.address();
        done(typeof at === 'object' && at ? at.port : null);
      });
    });
  }

  states(): DeviceState[] {
    return [...this.known.values()].map((d) => this.stateOf(d));
  }

  /** Asks a device to count from what lies on it now. False when it is not there. */
  tare(id: string): boolean {
    const { socket } = this.known.get(id) ?? {};
    return socket?.write('tare\n') !== undefined;
  }

  close(): void {
    clearInterval(this.beat);
    this.server.close();
    for (const s of this.sockets) s.destroy();
  }

  private stateOf(d: Known): DeviceState {
    const readings = holdAll(d.samples, performance.now());
    return { id: d.id, kind: d.kind, name: d.name, simulated: d.simulated, here: d.socket !== null, fault: d.fault, readings };
  }

  private look(): void {
    const now = performance.now();
    for (const d of this.known.values()) {
      const state = this.stateOf(d);
      const said = JSON.stringify(state);
      if (said !== d.told || (d.socket && now - d.toldAt >= STILL_THERE_MS)) {
        d.told = said;
        d.toldAt = now;
        this.tell(state);
      }
      if (!d.socket && now - d.goneAt > REMEMBERED_MS) this.known.delete(d.id);
    }
  }

  private meet(socket: Socket): void {
    if (this.sockets.size >= MOST_DEVICES) {
      socket.write('sorry there are too many devices already\n');
      socket.destroySoon();
      return;
    }
    this.sockets.add(socket);
    socket.setEncoding('utf8');
    let device: Known | null = null;
    let rest = '';
    let bad = 0;
    // Whoever is sent away keeps no place, also when it does not hang up.
    const part = (why: string) => {
      socket.write(`sorry ${why}\n`);
      socket.destroySoon();
    };
    const stranger = setTimeout(() => !device && part('a device begins with hello'), HELLO_MS).unref();
    const hear = (line: string) => {
      const said = readDeviceLine(line);
      if (!device) {
        if (said.says !== 'hello') return part('a device begins with hello');
        const before = this.known.get(said.id);
        if (before?.socket && performance.now() - before.heardAt <= SILENT_MS) return part('a device of that id is here already');
        // One that lost its line without a word comes back while the old line still seems to stand.
        before?.socket?.destroy();
        device = {
          ...said,
          simulated: false,
          socket,
          fault: null,
          samples: new Map(),
          goneAt: 0,
          heardAt: performance.now(),
          told: '',
          toldAt: 0,
        };
        this.known.set(said.id, device);
        socket.write('welcome 1\n');
        return;
      }
      device.heardAt = performance.now();
      if (said.says === 'simulated') device.simulated = true;
      else if (said.says === 'fault') device.fault = said.words;
      else if (said.says === 'bye') socket.end();
      else if (said.says === 'read') {
        const at = performance.now();
        device.fault = null;
        for (const { quantity, value } of said.readings) {
          const kept = (device.samples.get(quantity) ?? []).filter((s) => at - s.at <= KEPT_MS);
          device.samples.set(quantity, [...kept.slice(-200), { at, value }]);
        }
      }
    };
    socket.on('data', (chunk: string) => {
      rest += chunk;
      const lines = rest.split(/\r?\n/);
      rest = lines.pop()!;
      for (const line of lines) {
        if (line.trim() === '' || socket.writableEnded) continue;
        try {
          hear(line);
        } catch (error) {
          if (!(error instanceof BadLine)) throw error;
          if (++bad > PATIENCE || !device) part(error.message);
          else socket.write(`sorry ${error.message}\n`);
        }
      }
      if (rest.length > LONGEST_LINE) part(`a line has at most ${LONGEST_LINE} characters`);
    });
    socket.on('error', () => socket.destroy());
    socket.on('close', () => {
      clearTimeout(stranger);
      this.sockets.delete(socket);
      if (!device) return;
      device.socket = null;
      device.goneAt = performance.now();
    });
  }
}
