/** How an endpoint is declared: once, for server, client and the OpenAPI document. */
import type { z } from 'zod';

export interface Endpoint<
  P extends z.ZodType = z.ZodType,
  Q extends z.ZodType = z.ZodType,
  B extends z.ZodType = z.ZodType,
  R extends z.ZodType = z.ZodType,
> {
  method: 'get' | 'post' | 'put' | 'delete';
  /** Express notation: `/api/families/:id`. */
  path: string;
  summary: string;
  params: P;
  query: Q;
  body: B;
  response: R;
}

export type ParamsOf<E extends Endpoint> = z.infer<E['params']>;
export type QueryOf<E extends Endpoint> = z.input<E['query']>;
export type BodyOf<E extends Endpoint> = z.input<E['body']>;
export type ResponseOf<E extends Endpoint> = z.infer<E['response']>;
