/** Mounts declared endpoints: what comes in is checked, what goes out is typed. */
import { rm } from 'node:fs/promises';
import type { Express, NextFunction, Request, Response } from 'express';
import { z } from 'zod';
import type { Endpoint } from '@loom-kin/contract';
import { readInput } from '../input/readInput';

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
    // What came before may have taken a while, such as an upload: whoever writes waits in line again.
    if (endpoint.method !== 'get') await quietOf(app)();
    try {
      response.json(await work(given));
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

const QUIET = 'quiet';
/** Says how endpoints that write wait while a change of a large family is being stored: nobody is held up by them. */
export const setQuiet = (app: Express, quiet: () => Promise<void>): void => void (app.locals[QUIET] = quiet);
const quietOf = (app: Express) => app.locals[QUIET] as () => Promise<void>;

/** Mounts an endpoint whose body is large: it is handed on as it came, and checked where it is read. */
export function mountUnread<E extends Endpoint>(
  app: Express,
  endpoint: E,
  work: (body: unknown) => Promise<z.infer<E['response']>>,
): void {
  app[endpoint.method](endpoint.path, async (request: Request, response: Response) => {
    await quietOf(app)();
    response.json(await work(request.body));
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
