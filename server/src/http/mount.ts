/** Mounts declared endpoints: what comes in is checked, what goes out is typed. */
import { rm } from 'node:fs/promises';
import type { Express, NextFunction, Request, Response } from 'express';
import { z } from 'zod';
import type { Endpoint } from '@loom-kin/contract';
import { readInput } from '../input/readInput';
import type { Store } from '../store/store';

export interface Incoming<E extends Endpoint> {
  params: z.infer<E['params']>;
  query: z.infer<E['query']>;
  body: z.infer<E['body']>;
  request: Request;
}

type Before = (request: Request, response: Response, next: NextFunction) => void;
type Work<E extends Endpoint> = (incoming: Incoming<E>) => z.infer<E['response']> | Promise<z.infer<E['response']>>;

/** Mounts one endpoint. The work may be given middleware of its own before it, such as an upload. */
export function mount<E extends Endpoint>(app: Express, endpoint: E, work: Work<E>, ...before: Before[]): void {
  app[endpoint.method](endpoint.path, ...before, async (request: Request, response: Response) => {
    const given = incoming(endpoint, request);
    try {
      response.json(await (endpoint.method === 'get' ? work(given) : whenQuietOf(app)(() => work(given))));
    } catch (error) {
      await forgetUploads(request);
      throw error;
    }
  });
}

/** Files that came with a request that was refused are nobody's. */
async function forgetUploads({ file, files }: Request): Promise<void> {
  const all = [...(file ? [file] : []), ...(Array.isArray(files) ? files : Object.values(files ?? {}).flat())];
  await Promise.all(all.map(({ path }) => rm(path, { force: true })));
}

const WHEN_QUIET = 'whenQuiet';
type WhenQuiet = Store['whenQuiet'];
/** Says how endpoints that write wait while a change of a large family is being stored: nobody is held up by them. */
export const setWhenQuiet = (app: Express, whenQuiet: WhenQuiet): void => void (app.locals[WHEN_QUIET] = whenQuiet);
const whenQuietOf = (app: Express) => app.locals[WHEN_QUIET] as WhenQuiet;

/** Mounts an endpoint whose body is large: it is handed on as it came, and checked where it is read. */
export function mountUnread<E extends Endpoint>(
  app: Express,
  endpoint: E,
  work: (body: unknown) => Promise<z.infer<E['response']>>,
): void {
  app[endpoint.method](endpoint.path, async (request: Request, response: Response) => {
    response.json(await whenQuietOf(app)(() => work(request.body)));
  });
}

/** Mounts an endpoint whose answer is a file: the work writes it. */
export function mountDownload<E extends Endpoint>(
  app: Express,
  endpoint: E,
  work: (incoming: Incoming<E>, response: Response) => Promise<void> | void,
): void {
  app[endpoint.method](endpoint.path, async (request: Request, response: Response) => {
    await work(incoming(endpoint, request), response);
  });
}

function incoming<E extends Endpoint>(endpoint: E, request: Request): Incoming<E> {
  const hasBody = !(endpoint.body instanceof z.ZodUndefined) && !endpoint.upload;
  return {
    params: readInput(endpoint.params, request.params, 'address'),
    query: readInput(endpoint.query, request.query, 'query'),
    body: hasBody ? readInput(endpoint.body, request.body, 'body') : undefined,
    request,
  } as Incoming<E>;
}
