/** Whatever went wrong, told as a problem with the fitting status. */
import type { NextFunction, Request, Response } from 'express';
import { Refusal, type RefusalCode, refusalText } from '@loom-kin/core/refusal';
import type { Problem } from '@loom-kin/contract';
import type { Logger } from 'pino';
import { isBusy, isOutOfSpace, isReadOnly } from '../store/writeFailures';

export function problems(log: Logger) {
  return (error: unknown, request: Request, response: Response, next: NextFunction): void => {
    if (response.headersSent) return next(error);
    const { status, problem } = asProblem(error);
    if (status >= 500) log.error({ err: error, path: request.path }, 'a request failed');
    response.status(status).json(problem);
  };
}

interface Told {
  status: number;
  problem: Problem;
}

function asProblem(error: unknown): Told {
  if (error instanceof Refusal) {
    const { code, message, params, place, detail } = error;
    return {
      status: statusOf(code),
      problem: { code, message, params: params as Record<string, unknown>, place, detail },
    };
  }
  const {
    type,
    code = '',
    status,
    field = '',
  } = (error ?? {}) as { type?: string; code?: string; status?: number; field?: string };
  if (isOutOfSpace(error)) return told(507, 'server.full', {});
  if (isBusy(error)) return told(503, 'server.busy', {});
  if (isReadOnly(error)) return told(503, 'server.read-only', {});
  if (code === 'LIMIT_UNEXPECTED_FILE' || code === 'LIMIT_FIELD_KEY') return told(400, 'input.form', { field });
  if (type === 'entity.too.large' || code.startsWith('LIMIT_')) return told(413, 'input.too-large', {});
  if (type === 'entity.parse.failed') return told(400, 'input.no-json', {});
  const isForm = error instanceof Error && /multipart|boundary|unexpected end of form|malformed/i.test(error.message);
  if (isForm || error instanceof URIError || (typeof status === 'number' && status >= 400 && status < 500)) {
    return told(400, 'input.wrong', { what: 'request', where: '', why: 'it cannot be understood.' });
  }
  return told(500, 'server.fault', {});
}

function told(status: number, code: RefusalCode, params: Record<string, unknown>): Told {
  return { status, problem: { code, message: refusalText(code, params as never), params } };
}

const CONFLICTS = [
  'family.stale',
  'key.taken',
  'sku.taken',
  'gtin.taken',
  'dispatch.total-changed',
  'undo.overtaken',
  'redo.overtaken',
];

function statusOf(code: RefusalCode): number {
  if (code.endsWith('.unknown')) return 404;
  if (CONFLICTS.includes(code)) return 409;
  return code === 'channel.silent' ? 502 : 422;
}
