/** Mounts declared endpoints: what comes in is checked, what goes out is typed. */
import type { Express, NextFunction, Request, Response } from 'express';
import { z } from 'zod';
import { Refusal } from '@loom-kin/core';
import type { Endpoint } from '@loom-kin/contract';

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
    response.json(await work(incoming(endpoint, request)));
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
    params: read(endpoint.params, request.params, 'address'),
    query: read(endpoint.query, request.query, 'query'),
    body: hasBody ? read(endpoint.body, request.body, 'body') : undefined,
    request,
  } as Incoming<E>;
}

function read<S extends z.ZodType>(schema: S, data: unknown, what: string): z.infer<S> {
  const parsed = schema.safeParse(data);
  if (parsed.success) return parsed.data as z.infer<S>;
  const [first] = parsed.error.issues;
  const where = first?.path.join('.') ?? '';
  throw new Refusal('input.wrong', { what, where, why: whyText(first) }, { detail: parsed.error.issues.slice(0, 20) });
}

/** What is wrong, in words of ours where the checking library speaks of types. */
function whyText(issue: z.core.$ZodIssue | undefined): string {
  if (!issue) return 'it cannot be read.';
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined
        ? 'it is missing.'
        : `it has to be ${KINDS[issue.expected] ?? 'something else'}.`;
    case 'too_big':
      return `it is too large: ${String(issue.maximum)} at most.`;
    case 'too_small':
      return `it is too small: ${String(issue.minimum)} at least.`;
    case 'invalid_value':
      return `it has to be one of: ${issue.values.map(String).join(', ')}.`;
    case 'unrecognized_keys':
      return `there is no ${issue.keys.join(', ')}.`;
    case 'invalid_union':
      return 'it is none of the kinds that are known.';
    default:
      return /[.!]$/.test(issue.message) ? issue.message : 'it has not the form it should have.';
  }
}

const KINDS: Record<string, string> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no (true or false)',
  array: 'a list',
  object: 'an object',
  record: 'an object',
};
