// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ActPage } from './ActPage';

const server = vi.hoisted(() => ({ status: 410, body: {} as object }));

vi.mock('../api/client', async (original) => {
  const client = await original<typeof import('../api/client')>();
  const ask = () =>
    Promise.resolve({
      data: server.status === 200 ? server.body : undefined,
      error: server.status === 200 ? undefined : server.body,
      response: new Response(null, { status: server.status }),
    });
  return { ...client, api: { GET: ask, POST: ask } };
});

function speaking(language: string) {
  vi.spyOn(navigator, 'language', 'get').mockReturnValue(language);
}

describe('a participant’s page', () => {
  afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
  });

  beforeEach(() => {
    vi.stubGlobal('matchMedia', () => ({ matches: true }));
  });

  it('says in the browser’s language that a link leads nowhere', async () => {
    speaking('nl-NL');
    server.status = 410;
    server.body = {
      detail: 'This link doesn’t lead anywhere any more.',
      message: { code: 'link.gone', arguments: {} },
    };
    render(<ActPage token="x" />);
    expect(await screen.findByText('Dit kan niet worden geopend')).toBeDefined();
    expect((await screen.findByRole('alert')).textContent).toContain('leidt nergens meer heen');
  });

  it('speaks the participant’s language and not the browser’s once it is known', async () => {
    speaking('nl-NL');
    server.status = 200;
    server.body = {
      language: 'de',
      number: 'A-1',
      title: 'Leihe',
      office: 'Museum',
      label: 'Leihgeber',
      name: 'Ida Marsh',
      duty: 'SIGNS',
      standing: 'DONE',
      state: 'OUT',
      expiresAt: null,
      consented: true,
      consent: { version: 'de-1', text: '' },
      date: '',
      toComplete: [],
      derived: [],
      documents: [],
      route: [],
      attached: [],
      identity: {
        check: 'NONE',
        shown: true,
        to: '',
        digits: 6,
        codeWaits: false,
        nextCode: null,
        locked: false,
        office: '',
      },
      ended: '',
    };
    render(<ActPage token="x" />);
    expect(await screen.findByText(/Sie haben unterschrieben/)).toBeDefined();
    expect(document.documentElement.lang).toBe('de');
  });
});
