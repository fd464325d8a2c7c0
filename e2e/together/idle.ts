/** A server that does nothing but answer: what it takes beside the product is what this machine takes. */
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';

const server = createServer((_request, response) => response.end('{}'));
server.listen(0, '127.0.0.1', () => process.send!(`http://127.0.0.1:${(server.address() as AddressInfo).port}`));
