import { connect, type Socket } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Devices, StandInState } from '@roskel/contract';
import { DeviceHub } from '../src/devices/hub';
import { startKitchen, type Running } from './kit';

let k: Running;
beforeAll(async () => {
  k = await startKitchen(undefined, undefined, 'image', true);
  await k.devices.hub.listen(0);
});
afterAll(() => k.close());

/** A device of the test's own: says lines, and remembers what it is told. */
async function device(port: number) {
  const socket: Socket = connect(port, '127.0.0.1');
  let heard = '';
  let closed = false;
  socket.setEncoding('utf8');
  socket.on('data', (d: string) => (heard += d));
  socket.on('close', () => (closed = true));
  socket.on('error', () => (closed = true));
  await new Promise((done) => socket.once('connect', done));
  return { say: (text: string) => socket.write(text), heard: () => heard, closed: () => closed, end: () => socket.destroy() };
}
/** Waits for what comes by itself; only what never comes is given up. */
const until = (what: () => boolean | Promise<boolean>) => expect.poll(async () => what(), { timeout: 120_000, interval: 20 }).toBe(true);
const all = async () => (await k.call<Devices>('GET', '/devices')).value;
const one = async (id: string) => (await all()).devices.find((d) => d.id === id);

describe('devices', () => {
  it('one is heard, in pieces and in ounces, and is told to count from zero; gone, it is said to be', async () => {
    const d = await device(k.devices.hub.port!);
    d.say('hello 1 scale test-sc');
    d.say('ale Test scale\r\nread mass 10 oz\nread ma');
    await until(async () => (await one('test-scale'))?.readings[0]?.value === 283.5);
    expect(d.heard()).toBe('welcome 1\n');
    expect((await one('test-scale'))!.readings[0]!.state).toBe('moving');
    expect((await k.call('POST', '/devices/test-scale/tare', {})).status).toBe(200);
    await until(() => d.heard().includes('tare\n'));
    d.say('ss 5 g\nread mass five g\nfault battery low\n');
    await until(async () => (await one('test-scale'))?.fault === 'battery low');
    expect(d.heard()).toContain('sorry mass needs a number');
    const twin = await device(k.devices.hub.port!);
    twin.say('hello 1 scale test-scale Twin\n');
    await until(() => twin.closed());
    expect(twin.heard()).toContain('here already');
    expect((await one('test-scale'))!.name).toBe('Test scale');
    d.end();
    await until(async () => (await one('test-scale'))?.here === false);
    expect((await k.call('POST', '/devices/test-scale/tare', {})).status).toBe(404);
  });

  it('what is no device is sent away: a browser, noise, a line without an end', async () => {
    for (const words of ['POST /api/batches HTTP/1.1\r\nHost: x\r\n\r\n', '\u0000\u0001\u0002\n', 'x'.repeat(5000), 'read mass 3 g\n']) {
      const d = await device(k.devices.hub.port!);
      d.say(words);
      await until(() => d.closed());
      expect(d.heard()).toMatch(/^sorry /);
    }
    const d = await device(k.devices.hub.port!);
    d.say(`hello 1 pen noisy Noisy\n${'read pH x\n'.repeat(40)}`);
    await until(() => d.closed());
    expect((await all()).devices.filter((x) => x.here)).toEqual([]);
  });

  it('one that lost its line without a word comes back under its name', async () => {
    const old = await device(k.devices.hub.port!);
    old.say('hello 1 thermometer cellar Cellar\nread temp 14 C\n');
    await until(async () => (await one('cellar'))?.readings[0]?.value === 14);
    // It hangs: no word, and no end of its line.
    await new Promise((next) => setTimeout(next, 2700));
    const anew = await device(k.devices.hub.port!);
    anew.say('hello 1 thermometer cellar Cellar\nread temp 15 C\n');
    await until(async () => (await one('cellar'))?.readings[0]?.value === 15);
    await until(() => old.closed());
    expect((await one('cellar'))!.here).toBe(true);
    anew.end();
    await until(async () => (await one('cellar'))?.here === false);
  });

  it('those who are sent away and do not hang up keep no place', async () => {
    const lingering = await Promise.all(Array.from({ length: 40 }, () => device(k.devices.hub.port!)));
    for (const d of lingering) d.say('GET / HTTP/1.1\r\n\r\n');
    await until(() => lingering.every((d) => d.closed()));
    const real = await device(k.devices.hub.port!);
    real.say('hello 1 scale late Late\nread mass 1 g\n');
    await until(async () => (await one('late'))?.here === true);
    real.end();
  });

  it('a port that is taken leaves the kitchen as it is', async () => {
    const second = new DeviceHub();
    await second.listen(k.devices.hub.port!);
    expect(second.port).toBeNull();
    second.close();
  });

  it('a stand-in is plugged in, held to something, broken and unplugged', async () => {
    const set = (to: object) => k.call<StandInState>('PUT', '/stand-ins/stand-in-pen', { plugged: true, fault: 'none', ...to });
    const pen = async () => (await one('stand-in-pen'))?.readings.find((r) => r.quantity === 'pH');
    expect((await set({ pH: 3.6, temp: 22 })).value).toMatchObject({ plugged: true, pH: 3.6 });
    await until(async () => (await pen())?.state === 'steady');
    expect(Math.abs((await pen())!.value! - 3.6)).toBeLessThanOrEqual(0.04);
    expect((await one('stand-in-pen'))!.simulated).toBe(true);
    await set({ fault: 'wrong' });
    await until(async () => (await pen())?.state === 'wrong' || (await pen())?.state === 'jumping');
    await set({ fault: 'mute' });
    await until(async () => (await pen())?.state === 'silent');
    await set({ plugged: false });
    await until(async () => (await one('stand-in-pen'))?.here === false);
    expect((await k.call('PUT', '/stand-ins/no-such', { plugged: true, fault: 'none' })).status).toBe(404);
    expect((await set({ pH: 15 })).status).toBe(422);
  });
});
