/** The typed client: addresses, what comes back, and what went wrong. */
import { afterEach, describe, expect, it, vi } from 'vitest';
import { createClient, endpoints as api, openApiDocument, Refused } from '../src';

const asked: { url: string; init: RequestInit }[] = [];
const answer = (status: number, body: unknown) =>
  vi.stubGlobal('fetch', (url: string, init: RequestInit) => {
    asked.push({ url, init });
    return Promise.resolve(new Response(typeof body === 'string' ? body : JSON.stringify(body), { status }));
  });
afterEach(() => {
  vi.unstubAllGlobals();
  asked.length = 0;
});
const call = createClient('http://here');
const refusal = (work: Promise<unknown>) =>
  work.then(
    () => null,
    (error: unknown) => error,
  );

describe('the client', () => {
  it('puts ids into addresses as they are, whatever signs they have, and leaves empty parameters out', async () => {
    answer(200, {});
    await call(api.family, { params: { id: 'a/b?c' } });
    await call(api.listFamilies, { query: { q: 'a&b', account: undefined, limit: 5 } });
    await call(api.listFamilies, { query: { q: '' } });
    expect(asked.map((one) => one.url)).toEqual([
      'http://here/api/families/a%2Fb%3Fc',
      'http://here/api/families?q=a%26b&limit=5',
      'http://here/api/families',
    ]);
  });
  it('sends bodies as JSON and files as forms', async () => {
    answer(200, {});
    await call(api.undo, { params: { id: 7 }, body: { key: 'undo-key-1' } });
    await call(api.redo, { params: { id: 7 }, body: { key: 'redo-key-1' } });
    await call(api.addPictures, { form: new FormData() });
    expect(asked.map(({ init }) => [init.method, init.headers, typeof init.body])).toEqual([
      ['POST', { 'content-type': 'application/json' }, 'string'],
      ['POST', { 'content-type': 'application/json' }, 'string'],
      ['POST', undefined, 'object'],
    ]);
  });
  it("tells refusals with status, code and the server's words", async () => {
    answer(409, { code: 'family.stale', message: 'Changed meanwhile.', detail: { revision: 3 } });
    const error = await refusal(call(api.family, { params: { id: 'k' } }));
    expect(error).toBeInstanceOf(Refused);
    expect(error).toMatchObject({
      status: 409,
      message: 'Changed meanwhile.',
      problem: { code: 'family.stale', detail: { revision: 3 } },
    });
  });
  it('makes sense of an answer that is no problem of ours', async () => {
    answer(502, '<html>Bad gateway</html>');
    expect(await refusal(call(api.health))).toMatchObject({ status: 502, message: 'The server answered with 502.' });
  });
  it('tells a server that is silent from a request that was broken off', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('fetch failed')));
    expect(await refusal(call(api.health))).toMatchObject({ status: 0, problem: { code: 'server.silent' } });
    const ended = AbortSignal.abort();
    expect(await refusal(call(api.health, { signal: ended }))).not.toBeInstanceOf(Refused);
  });
});

describe('the OpenAPI document', () => {
  const document = openApiDocument() as {
    paths: Record<
      string,
      Record<string, { operationId: string; parameters: { name: string; in: string; required: boolean }[] }>
    >;
  };
  it('holds every endpoint once, with every part of its address declared', () => {
    const operations = Object.entries(document.paths).flatMap(([path, methods]) =>
      Object.values(methods).map((operation) => ({ path, ...operation })),
    );
    expect(operations.map((one) => one.operationId).sort()).toEqual(Object.keys(api).sort());
    for (const { path, parameters } of operations) {
      const named = [...path.matchAll(/\{(\w+)\}/g)].map((match) => match[1]);
      expect([path, parameters.filter((one) => one.in === 'path').map((one) => one.name)]).toEqual([path, named]);
      expect(path).not.toContain(':');
    }
  });
});
