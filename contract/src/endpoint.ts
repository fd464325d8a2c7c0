/** How an endpoint is declared: once, for server, client and the OpenAPI document. */
import { z } from 'zod';

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
  /** Files come in as multipart under this field. */
  upload?: string;
  /** A file goes out, of these types, instead of JSON. */
  download?: readonly string[];
}

export type ParamsOf<E extends Endpoint> = z.infer<E['params']>;
export type QueryOf<E extends Endpoint> = z.input<E['query']>;
export type BodyOf<E extends Endpoint> = z.input<E['body']>;
export type ResponseOf<E extends Endpoint> = z.infer<E['response']>;

const none = z.object({});

/** Declares an endpoint; what it does not name it does not take. */
export function define<
  P extends z.ZodType = typeof none,
  Q extends z.ZodType = typeof none,
  B extends z.ZodType = z.ZodUndefined,
  R extends z.ZodType = z.ZodType,
>(
  method: Endpoint['method'],
  path: string,
  summary: string,
  shape: { params?: P; query?: Q; body?: B; response: R; upload?: string; download?: readonly string[] },
): Endpoint<P, Q, B, R> {
  const { upload, download, response } = shape;
  return {
    method,
    path,
    summary,
    response,
    params: (shape.params ?? none) as P,
    query: (shape.query ?? none) as Q,
    body: (shape.body ?? z.undefined()) as B,
    ...(upload ? { upload } : {}),
    ...(download ? { download } : {}),
  };
}

export const Id = z.string().min(1).max(80);
/** Names one request, so that sending it twice counts once. */
export const Key = z.string().min(8).max(80);
export const withId = z.object({ id: Id });
export const done = z.object({ ok: z.literal(true) });
