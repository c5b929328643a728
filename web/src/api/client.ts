import createClient from 'openapi-fetch';
import type { Message } from '../messages/catalogue';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];

/** What went wrong with a request, in words for the person who made it. */
export class Problem extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly faults: Record<string, string>,
    /** The message by its code, for a page that speaks another language. */
    readonly said?: Message,
    readonly saidFaults: Record<string, Message> = {},
  ) {
    super(message);
  }
}

function csrfToken(): string {
  const found = /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie);
  return found?.[1] ? decodeURIComponent(found[1]) : '';
}

export const api = createClient<paths>({ baseUrl: '/' });

api.use({
  async onRequest({ request }) {
    if (request.method !== 'GET') {
      if (!csrfToken()) await fetch('/api/v1/session');
      request.headers.set('X-XSRF-TOKEN', csrfToken());
    }
    return request;
  },
});

/**
 * Tells when a session that was there has ended, so that the person can sign in again without losing what they typed, and
 * when they have.
 */
export const sessionEnd = new EventTarget();

function noticeEnd(response: Response) {
  if (response.status === 401 && !response.url.endsWith('/api/v1/session')) {
    sessionEnd.dispatchEvent(new Event('ended'));
  }
}

/** The answer's data; a problem is thrown with the server's own words. */
export async function answer<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let result;
  try {
    result = await call;
  } catch {
    throw new Problem(
      'The server can’t be reached. Check the connection and try again.',
      0,
      {},
      unreachable,
    );
  }
  if (result.response.ok) return result.data as T;
  noticeEnd(result.response);
  throw problemOf(result.error, result.response.status);
}

const unreachable: Message = { code: 'server.unreachable', arguments: {} };
const failed: Message = { code: 'server.failed', arguments: {} };

const words: Record<number, string> = {
  401: 'Your session has ended. Sign in again, then try once more.',
  403: 'You may not do this with your account, or the page is out of date. Reload it.',
  413: 'The file is larger than what can be taken in.',
  429: 'Too much was asked for at once. Try again in a moment.',
  502: 'The server can’t be reached just now. Try again in a moment.',
  503: 'The server can’t do this just now. Try again in a moment.',
};

export function problemOf(error: unknown, status: number): Problem {
  const details = (typeof error === 'object' && error ? error : {}) as {
    detail?: string;
    faults?: Record<string, string>;
    message?: Message;
    faultMessages?: Record<string, Message>;
  };
  const message = details.detail ?? words[status] ?? 'The server did not do it. Try again.';
  return new Problem(
    message,
    status,
    details.faults ?? {},
    details.message ?? (details.detail ? undefined : failed),
    details.faultMessages,
  );
}

/** Sends a file with the form's other answers in the address. */
export async function upload<T>(path: string, file: File): Promise<T> {
  if (!csrfToken()) await fetch('/api/v1/session');
  const body = new FormData();
  body.set('file', file);
  const response = await fetch(path, {
    method: 'POST',
    body,
    headers: { 'X-XSRF-TOKEN': csrfToken() },
  });
  const json: unknown = await response.json().catch(() => ({}));
  noticeEnd(response);
  if (!response.ok) throw problemOf(json, response.status);
  return json as T;
}
