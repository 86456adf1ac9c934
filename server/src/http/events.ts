import { randomUUID } from 'node:crypto';
import type { Request, Response } from 'express';
import type { ChangeEvent } from '@roskel/contract';

/** As many announcements as are kept for windows that lost the line for a while. */
const KEPT = 500;
const HEARTBEAT_MS = 25_000;

/** Announces changes to every open window (server-sent events), and again to those that missed some. */
export class Announcer {
  private readonly windows = new Set<Response>();
  /** Of this run of the server: numbers of another run say nothing here. */
  private readonly run = randomUUID().slice(0, 8);
  private readonly said: { number: number; event: ChangeEvent }[] = [];
  private number = 0;
  private readonly beat = setInterval(() => this.windows.forEach((w) => w.write(': here\n\n')), HEARTBEAT_MS).unref();

  listen = (req: Request, res: Response): void => {
    res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', Connection: 'keep-alive' });
    if (req.method === 'HEAD') {
      res.end();
      return;
    }
    res.flushHeaders();
    res.write('retry: 2000\n');
    // The number to come back with, also when nothing is announced meanwhile.
    res.write(`id: ${this.run}-${this.number}\nevent: hello\ndata: {}\n\n`);
    for (const e of this.missed(req.get('Last-Event-ID') ?? (typeof req.query.last === 'string' ? req.query.last : undefined)))
      this.write(res, e.number, e.event);
    this.windows.add(res);
    req.on('close', () => this.windows.delete(res));
  };

  /** What was announced since a window last heard; "all" when that cannot be told any more. */
  private missed(last: string | undefined): { number: number; event: ChangeEvent }[] {
    if (!last) return [];
    const [run, number] = [last.slice(0, 8), Number(last.slice(9))];
    const from = this.said[0]?.number ?? this.number + 1;
    if (run !== this.run || !Number.isInteger(number) || number + 1 < from) {
      return [{ number: this.number, event: { topic: 'all', id: '' } }];
    }
    return this.said.filter((e) => e.number > number);
  }

  private write(window: Response, number: number, event: ChangeEvent): void {
    window.write(`id: ${this.run}-${number}\ndata: ${JSON.stringify(event)}\n\n`);
  }

  say(event: ChangeEvent): void {
    const number = ++this.number;
    this.said.push({ number, event });
    if (this.said.length > KEPT) this.said.shift();
    // After the answer to whoever made the change: they know first. Who joins meanwhile is told by `missed`.
    const now = [...this.windows];
    setImmediate(() => now.forEach((w) => this.windows.has(w) && this.write(w, number, event)));
  }

  /** What is true only now: not counted, and not told again to whoever missed it. */
  tell(kind: 'device', value: unknown): void {
    for (const w of this.windows) w.write(`event: ${kind}\ndata: ${JSON.stringify(value)}\n\n`);
  }

  close(): void {
    clearInterval(this.beat);
    for (const w of this.windows) w.end();
    this.windows.clear();
  }
}
