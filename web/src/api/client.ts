import createClient from 'openapi-fetch';
import { english, type Code, type Message } from '../messages/catalogue';
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
 * Tells when a session that was there has ended, so that the person can sign in again without losing what they typed, when
 * they have, and when they were refused something.
 */
export const sessionEnd = new EventTarget();

function noticeEnd(response: Response) {
  // what somebody may can have changed since it was looked up
  if (response.status === 403) sessionEnd.dispatchEvent(new Event('refused'));
  if (response.status === 401 && !response.url.endsWith('/api/v1/session')) {
    sessionEnd.dispatchEvent(new Event('ended'));
  }
}

/** Whether a request was refused since nobody is signed in; who was is asked for the password over the room. */
export function isSignedOut(error: unknown): boolean {
  return error instanceof Problem && error.status === 401;
}

/** The answer's data; a problem is thrown with the server's own words. */
export async function answer<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let result;
  try {
    result = await call;
  } catch {
    throw new Problem(english.say('server.unreachable'), 0, {}, plain('server.unreachable'));
  }
  if (result.response.ok) return result.data as T;
  noticeEnd(result.response);
  throw problemOf(result.error, result.response.status);
}

const plain = (code: Code): Message => ({ code, arguments: {} });

/** For answers that come without a word, as from a proxy. */
const known: Record<number, Code> = {
  401: 'server.signed-out',
  403: 'server.not-allowed',
  413: 'server.file-too-large',
  429: 'server.too-much',
  502: 'server.unreachable',
  503: 'server.away',
};

export function problemOf(error: unknown, status: number): Problem {
  const details = (typeof error === 'object' && error ? error : {}) as {
    detail?: string;
    faults?: Record<string, string>;
    message?: Message;
    faultMessages?: Record<string, Message>;
  };
  const code = known[status] ?? 'server.failed';
  return new Problem(
    details.detail ?? english.say(code),
    status,
    details.faults ?? {},
    details.message ?? (details.detail ? undefined : plain(code)),
    details.faultMessages,
  );
}

/** Sends a file as the body itself. */
export async function sendFile<T>(path: string, file: File): Promise<T> {
  if (!csrfToken()) await fetch('/api/v1/session');
  return received<T>(path, {
    method: 'POST',
    body: file,
    headers: { 'X-XSRF-TOKEN': csrfToken(), 'Content-Type': 'application/octet-stream' },
  });
}

async function received<T>(path: string, request: RequestInit): Promise<T> {
  let response;
  try {
    response = await fetch(path, request);
  } catch {
    throw new Problem(english.say('server.unreachable'), 0, {}, plain('server.unreachable'));
  }
  const json: unknown = await response.json().catch(() => ({}));
  noticeEnd(response);
  if (!response.ok) throw problemOf(json, response.status);
  return json as T;
}

/** Sends a file with the form's other answers in the address. */
export async function upload<T>(path: string, file: File): Promise<T> {
  if (!csrfToken()) await fetch('/api/v1/session');
  const body = new FormData();
  body.set('file', file);
  return received<T>(path, {
    method: 'POST',
    body,
    headers: { 'X-XSRF-TOKEN': csrfToken() },
  });
}
