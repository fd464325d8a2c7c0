/** Server-sent events: open pages hear what was changed. */
import type { Express, Request, Response } from 'express';
import type { ServerEvents } from '../store/serverEvents';

/** A sign of life, so that nobody between takes the line for dead. */
const BEAT = 25_000;

export function mountEvents(app: Express, events: ServerEvents): void {
  app.get('/api/events', (request: Request, response: Response) => {
    response.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store',
      connection: 'keep-alive',
    });
    response.write(': listening\n\n');
    const unsubscribe = events.subscribe((event) => void response.write(`data: ${JSON.stringify(event)}\n\n`));
    const beat = setInterval(() => void response.write(': beat\n\n'), BEAT);
    request.on('close', () => {
      clearInterval(beat);
      unsubscribe();
    });
  });
}
