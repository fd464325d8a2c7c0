/** Mounts declared endpoints: what comes in is checked, what goes out is typed, failures become problems. */
import type { Express, NextFunction, Request, Response } from 'express';
import { z } from 'zod';
import { Refusal } from '@loom-kin/core';
import type { Endpoint, Problem } from '@loom-kin/contract';
import type { Logger } from 'pino';

export interface Incoming<E extends Endpoint> {
  params: z.infer<E['params']>;
  query: z.infer<E['query']>;
  body: z.infer<E['body']>;
  request: Request;
}

/** Mounts one endpoint. The work may be given middleware of its own before it, such as an upload. */
export function mount<E extends Endpoint>(
  app: Express,
  endpoint: E,
  work: (incoming: Incoming<E>) => z.infer<E['response']> | Promise<z.infer<E['response']>>,
  ...before: ((request: Request, response: Response, next: NextFunction) => void)[]
): void {
  app[endpoint.method](endpoint.path, ...before, async (request: Request, response: Response) => {
    const read = <T extends z.ZodType>(schema: T, data: unknown, what: string): z.infer<T> => {
      const parsed = schema.safeParse(data);
      if (!parsed.success) throw wrongInput(parsed.error, what);
      return parsed.data as z.infer<T>;
    };
    response.json(
      await work({
        params: read(endpoint.params, request.params, 'address'),
        query: read(endpoint.query, request.query, 'query'),
        body: endpoint.body instanceof z.ZodUndefined ? undefined : read(endpoint.body, request.body, 'body'),
        request,
      } as Incoming<E>),
    );
  });
}

function wrongInput(error: z.ZodError, what: string): Refusal {
  const first = error.issues[0];
  const at = first?.path.join('.');
  return new Refusal(
    'input.wrong',
    `The ${what} is not as it should be${at ? ` at ${at}` : ''}: ${first?.message ?? 'unknown'}`,
    undefined,
    error.issues.slice(0, 20),
  );
}

/** Turns whatever went wrong into a problem with the fitting status. */
export function problems(log: Logger) {
  return (error: unknown, request: Request, response: Response, next: NextFunction): void => {
    if (response.headersSent) return next(error);
    const { status, problem } = asProblem(error);
    if (status >= 500) log.error({ err: error, path: request.path }, 'a request failed');
    response.status(status).json(problem);
  };
}

function asProblem(error: unknown): { status: number; problem: Problem } {
  if (error instanceof Refusal) {
    const status = error.code.endsWith('.unknown')
      ? 404
      : /\.(stale|taken|total-changed)$/.test(error.code)
        ? 409
        : error.code === 'channel.silent'
          ? 502
          : 422;
    return { status, problem: { code: error.code, message: error.message, place: error.place, detail: error.detail } };
  }
  const { type, code, status } = (error ?? {}) as { type?: string; code?: string; status?: number };
  if (type === 'entity.too.large' || code?.startsWith('LIMIT_'))
    return {
      status: 413,
      problem: {
        code: 'input.too-large',
        message: 'This is too large to be taken in at once. Bring it in smaller parts.',
      },
    };
  if (type === 'entity.parse.failed')
    return {
      status: 400,
      problem: { code: 'input.no-json', message: 'This is no JSON: it is cut off or has a fault.' },
    };
  if (typeof status === 'number' && status >= 400 && status < 500)
    return { status, problem: { code: 'input.wrong', message: 'This request cannot be understood.' } };
  return {
    status: 500,
    problem: { code: 'server.fault', message: 'Something went wrong inside. Nothing was changed; try again.' },
  };
}
