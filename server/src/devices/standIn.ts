import { connect, type Socket } from 'node:net';
import type { DeviceKind, Quantity } from '@roskel/core';
import type { StandIn, StandInState } from '@roskel/contract';

/** A small simulated device that speaks the line protocol as one of its kind would. */
interface Model {
  name: string;
  /** What it reads, at first, how fast it follows (time constant, ms), its noise (sd) and the step of its display. */
  reads: Partial<Record<Quantity, { first: number; followMs: number; noise: number; step: number }>>;
  /** What a broken one says. */
  broken: string;
}
/** Common practice, no source: a kitchen scale settles in half a second, a pen in some seconds, a probe in a few. */
const MODELS: Readonly<Record<DeviceKind, Model>> = {
  scale: { name: 'Stand-in scale', reads: { mass: { first: 0, followMs: 250, noise: 0.15, step: 0.5 } }, broken: 'mass -870 g' },
  pen: {
    name: 'Stand-in pH pen',
    reads: {
      pH: { first: 7, followMs: 1100, noise: 0.002, step: 0.01 },
      temp: { first: 20, followMs: 1100, noise: 0.04, step: 0.1 },
    },
    broken: 'pH 14.00 temp 20.0 C',
  },
  thermometer: {
    name: 'Stand-in thermometer',
    reads: { temp: { first: 20, followMs: 900, noise: 0.05, step: 0.1 } },
    broken: 'temp -127.0 C',
  },
};
const EVERY_MS = 200;
const SHOW: Record<Quantity, string> = { mass: 'g', pH: '', temp: 'C' };

export class SimulatedDevice {
  private socket: Socket | null = null;
  private timer: NodeJS.Timeout | null = null;
  private shown: Partial<Record<Quantity, number>> = {};
  private tareG = 0;
  private looks = 0;
  private set: StandIn;
  private readonly model: Model;
  readonly id: string;

  constructor(readonly kind: DeviceKind) {
    this.id = `stand-in-${kind}`;
    this.model = MODELS[kind];
    const first = Object.fromEntries(Object.entries(this.model.reads).map(([q, r]) => [q, r.first]));
    this.set = { plugged: false, fault: 'none', ...first };
  }

  state(): StandInState {
    return { id: this.id, kind: this.kind, name: this.model.name, ...this.set };
  }

  /** Holds it to something else, plugs it in or out, or breaks it. */
  change(to: StandIn, port: number): StandInState {
    const known = Object.keys(this.model.reads) as Quantity[];
    const held = Object.fromEntries(known.map((q) => [q, to[q] ?? this.set[q]!]));
    this.set = { plugged: to.plugged, fault: to.fault, ...held };
    if (to.plugged && !this.socket) this.plug(port);
    if (!to.plugged) this.unplug();
    return this.state();
  }

  unplug(): void {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    this.socket?.destroy();
    this.socket = null;
  }

  private plug(port: number): void {
    const socket = connect(port, '127.0.0.1');
    this.socket = socket;
    this.tareG = 0;
    this.shown = Object.fromEntries(Object.entries(this.model.reads).map(([q, r]) => [q, r.first]));
    socket.setEncoding('utf8');
    socket.write(`hello 1 ${this.kind} ${this.id} ${this.model.name}\nsimulated\n`);
    socket.on('data', (words: string) => {
      if (/^tare$/m.test(words)) this.tareG = this.set.mass ?? 0;
    });
    socket.on('error', () => this.unplug());
    // What the kitchen ends is unplugged here too.
    socket.on('close', () => {
      if (this.socket !== socket) return;
      this.unplug();
      this.set.plugged = false;
    });
    this.timer = setInterval(() => this.look(), EVERY_MS).unref();
  }

  private look(): void {
    const { fault } = this.set;
    if (fault === 'mute') return;
    this.looks++;
    const said = fault === 'wrong' ? this.model.broken : this.figures(fault === 'jumps');
    this.socket?.write(`read ${said}\n`);
  }

  private figures(jumps: boolean): string {
    return (Object.keys(this.model.reads) as Quantity[])
      .map((q) => {
        const { followMs, noise, step } = this.model.reads[q]!;
        const truth = this.set[q]! - (q === 'mass' ? this.tareG : 0);
        const before = this.shown[q]!;
        const now = truth + (before - truth) * Math.exp(-EVERY_MS / followMs);
        this.shown[q] = now;
        // Twelve uniform draws less six: near enough to normal for a display.
        let z = -6;
        for (let i = 0; i < 12; i++) z += Math.random();
        const leap = jumps && this.looks % 2 === 0 ? 60 * Math.max(step, noise * 8) * (q === 'mass' ? 3 : 1) : 0;
        const figure = Math.round((now + noise * z + leap) / step) * step;
        return `${q} ${figure.toFixed(2)} ${SHOW[q]}`.trim();
      })
      .join(' ');
  }
}
