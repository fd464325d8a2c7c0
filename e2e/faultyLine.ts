/** A line between the product and the channels that loses, delays and bends answers. What is asked always arrives. */
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { buffer } from 'node:stream/consumers';

interface Passed {
  path: string;
  status: number;
  body: string;
}

/**
 * What becomes of an answer: it is cut off, comes as something else, arrives late, or its question arrives twice. Undefined lets it
 * pass.
 */
export type Fault =
  | { do: 'cut' }
  | { do: 'answer'; status: number; body: string }
  | { do: 'late'; milliseconds: number }
  | { do: 'twice' };

export interface FaultyLine {
  /** Asked for every answer. */
  fault: (passed: Passed) => Fault | undefined;
  open(channelsUrl: string): Promise<string>;
  close(): void;
}

export function faultyLine(): FaultyLine {
  let upstream = '';
  const server = createServer((request, response) => void pass(request, response).catch(() => response.destroy()));
  const line: FaultyLine = {
    fault: () => undefined,
    async open(channelsUrl) {
      upstream = channelsUrl;
      await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
      return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    },
    close() {
      server.closeAllConnections();
      server.close();
    },
  };

  async function pass(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const asked = await buffer(request);
    const ask = () =>
      fetch(upstream + request.url, {
        method: request.method ?? 'GET',
        headers: { 'content-type': request.headers['content-type'] ?? 'application/json' },
        ...(request.method === 'POST' ? { body: new Uint8Array(asked) } : {}),
      });
    const answer = await ask();
    const body = await answer.text();
    const fault = line.fault({ path: request.url ?? '', status: answer.status, body });
    if (fault?.do === 'cut') return void response.destroy();
    if (fault?.do === 'twice') await ask();
    if (fault?.do === 'late') await new Promise((next) => setTimeout(next, fault.milliseconds));
    const said = fault?.do === 'answer' ? fault : { status: answer.status, body };
    response.writeHead(said.status, { 'content-type': 'application/json' }).end(said.body);
  }
  return line;
}
