/** Pictures drawn for tests, archives of them, and a small web that hands them out well and badly. */
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { buffer } from 'node:stream/consumers';
import sharp, { type Sharp } from 'sharp';
import { ZipFile } from 'yazl';

/** Goods of one colour on a ground: a garment's outline, with an edge that is sharp. `mark` makes it another picture. */
export function drawnGoods(colour: string, mark = 0, options: { side?: number; ground?: string } = {}): Sharp {
  const { side = 400, ground = '#FFFFFF' } = options;
  const shape = Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${side}" height="${side}" viewBox="0 0 100 100"><path fill="${colour}" d="M30 15 L45 10 L55 10 L70 15 L88 ${38 + (mark % 9)} L74 46 L72 90 L28 90 L26 46 L12 ${38 + (mark % 9)} Z"/><rect x="${20 + ((mark * 13) % 50)}" y="${50 + ((mark * 7) % 30)}" width="6" height="6" fill="${colour}" stroke="#222" stroke-width="0.6"/></svg>`,
  );
  return sharp({ create: { width: side, height: side, channels: 3, background: ground } }).composite([
    { input: shape },
  ]);
}

export async function zipOf(files: readonly (readonly [path: string, bytes: Uint8Array])[]): Promise<Buffer> {
  const zip = new ZipFile();
  for (const [path, bytes] of files) zip.addBuffer(Buffer.from(bytes), path);
  zip.end();
  return buffer(zip.outputStream);
}

/** A form with files as a browser sends them. */
export function formOf(...files: readonly (readonly [path: string, bytes: Uint8Array])[]): FormData {
  const form = new FormData();
  for (const [path, bytes] of files) form.append('files', new Blob([new Uint8Array(bytes)]), path);
  return form;
}

export interface SmallWeb {
  url: string;
  /** So many bytes were asked for of what has no end. */
  poured(): number;
  close(): Promise<void>;
}

/** Serves a picture, something else, a way inward, a way round, nothing, and more than anybody can take. */
export async function smallWeb(picture: Uint8Array): Promise<SmallWeb> {
  let poured = 0;
  const answers: Record<string, (request: IncomingMessage, response: ServerResponse) => void> = {
    '/SKJ-rust-front.png': (_, response) => response.writeHead(200, { 'content-type': 'image/png' }).end(picture),
    '/moved.png': (_, response) => response.writeHead(302, { location: '/SKJ-rust-front.png' }).end(),
    '/page.html': (_, response) => response.writeHead(200, { 'content-type': 'text/html' }).end('<p>hello'),
    '/inward.png': (_, response) => response.writeHead(302, { location: 'http://127.0.0.2/secret.png' }).end(),
    '/round.png': (_, response) => response.writeHead(302, { location: '/round.png' }).end(),
    '/silent.png': () => undefined,
    '/endless.png': (_, response) => {
      response.writeHead(200, { 'content-type': 'image/png' });
      const chunk = Buffer.alloc(1024 * 1024);
      const pour = () => {
        while (!response.destroyed && response.write(chunk)) poured += chunk.length;
      };
      response.on('drain', pour);
      pour();
    },
  };
  const server: Server = createServer((request, response) => {
    const answer = answers[request.url ?? ''];
    if (answer) answer(request, response);
    else response.writeHead(404).end();
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    poured: () => poured,
    close: () => {
      server.closeAllConnections();
      return new Promise((done) => server.close(() => done()));
    },
  };
}
