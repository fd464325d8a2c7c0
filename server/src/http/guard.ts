/** Only this machine, and only pages of this server: Host and Origin are checked on every request. */
import type { NextFunction, Request, Response } from 'express';

const LOCAL = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

export function guard(request: Request, response: Response, next: NextFunction): void {
  const host = request.headers.host ?? '';
  const origin = request.headers.origin;
  const wrong = !LOCAL.test(host)
    ? 'This server answers only under the name of this machine.'
    : origin !== undefined && origin !== `http://${host}`
      ? 'This request comes from another site.'
      : // A browser says so even where it sends no origin; pages and pictures may be linked to from anywhere.
        request.headers['sec-fetch-site'] === 'cross-site' && request.method !== 'GET' && request.method !== 'HEAD'
        ? 'This request comes from another site.'
        : null;
  if (wrong) response.status(403).json({ code: 'guard.refused', message: wrong });
  else next();
}
