import type { Request, Response } from 'express';
import type { ChangeEvent } from '@roskel/contract';

/** Announces changes to every open window (server-sent events). */
export class Announcer {
  private readonly windows = new Set<Response>();

  listen = (req: Request, res: Response): void => {
    res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', Connection: 'keep-alive' });
    res.flushHeaders();
    res.write('retry: 2000\n\n');
    this.windows.add(res);
    req.on('close', () => this.windows.delete(res));
  };

  say(event: ChangeEvent): void {
    for (const w of this.windows) w.write(`data: ${JSON.stringify(event)}\n\n`);
  }

  close(): void {
    for (const w of this.windows) w.end();
    this.windows.clear();
  }
}
