/** A typed client for the API: the same for the web pages, the demo loader and the tests. */
import type { BodyOf, Endpoint, ParamsOf, QueryOf, ResponseOf } from './endpoint';
import { ProblemSchema, type Problem } from './problem';

/** A request that was refused or failed, with the server's words. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem,
  ) {
    super(problem.message);
    this.name = 'Refused';
  }
}

export interface Asked<E extends Endpoint> {
  params?: ParamsOf<E>;
  query?: QueryOf<E>;
  body?: BodyOf<E>;
  /** Files travel as multipart instead of a body. */
  form?: FormData;
  signal?: AbortSignal;
}

export type Client = <E extends Endpoint>(endpoint: E, asked?: Asked<E>) => Promise<ResponseOf<E>>;

/** A client for a server; `base` is empty in pages of the server itself. */
export function createClient(base: string): Client {
  return async (endpoint, asked = {}) => {
    const path = endpoint.path.replace(/:(\w+)/g, (_whole, name: string) =>
      encodeURIComponent(String((asked.params as Record<string, unknown> | undefined)?.[name] ?? '')),
    );
    const query = new URLSearchParams(
      Object.entries((asked.query ?? {}) as Record<string, unknown>).flatMap(([key, value]) =>
        value === undefined || value === '' ? [] : [[key, String(value)]],
      ),
    );
    let answer: Response;
    try {
      answer = await fetch(`${base}${path}${query.size > 0 ? `?${query}` : ''}`, {
        method: endpoint.method.toUpperCase(),
        ...(asked.form
          ? { body: asked.form }
          : asked.body === undefined
            ? {}
            : { body: JSON.stringify(asked.body), headers: { 'content-type': 'application/json' } }),
        ...(asked.signal ? { signal: asked.signal } : {}),
      });
    } catch (error) {
      if (asked.signal?.aborted) throw error;
      throw new Refused(0, { code: 'server.silent', message: 'The server does not answer. Try again in a moment.' });
    }
    const data: unknown = await answer.json().catch(() => null);
    if (answer.ok) return data as never;
    const problem = ProblemSchema.safeParse(data);
    throw new Refused(
      answer.status,
      problem.success ? problem.data : { code: 'server.fault', message: `The server answered with ${answer.status}.` },
    );
  };
}
