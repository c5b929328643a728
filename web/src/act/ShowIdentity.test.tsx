// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { ShowIdentity } from './ShowIdentity';
import type { SigningPage, useAct } from './useAct';

afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

type Identity = SigningPage['identity'];

function show(identity: Partial<Identity>) {
  const act = {
    busy: false,
    error: undefined,
    sendCode: vi.fn(() => Promise.resolve(true)),
    showIdentity: vi.fn(() => Promise.resolve(true)),
  };
  const page = {
    office: 'Museum',
    identity: {
      check: 'MAILED_CODE',
      shown: false,
      to: 'i•••@lender.example.org',
      digits: 6,
      codeWaits: false,
      nextCode: null,
      locked: false,
      office: 'office@museum.example.org',
      ...identity,
    },
  };
  render(
    <ShowIdentity
      page={page as unknown as SigningPage}
      act={act as unknown as ReturnType<typeof useAct>}
    />,
  );
  return act;
}

it('asks for a code to be sent before one can be typed', () => {
  const act = show({});
  expect(screen.queryByLabelText('Code')).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'Send the code' }));
  expect(act.sendCode).toHaveBeenCalledOnce();
});

it('takes the code by Enter, as it was typed', () => {
  const act = show({ codeWaits: true });
  fireEvent.change(screen.getByLabelText('Code'), { target: { value: '123 456' } });
  fireEvent.submit(screen.getByLabelText('Code'));
  expect(act.showIdentity).toHaveBeenCalledWith('123 456');
});

it('counts down until another code can be sent', () => {
  vi.useFakeTimers();
  vi.setSystemTime('2026-11-26T10:00:00Z');
  show({ codeWaits: true, nextCode: '2026-11-26T10:00:02Z' });
  const again = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Send another code' });
  expect(again().disabled).toBe(true);
  expect(screen.getByText('Another code can be sent in 2 seconds.')).toBeDefined();
  for (let i = 0; i < 3; i++) {
    vi.advanceTimersByTime(1000);
    // each second is a rendering of its own
    fireEvent.focus(document.body);
  }
  show({ codeWaits: true, nextCode: '2026-11-26T10:00:02Z' });
  expect(
    screen.getAllByRole<HTMLButtonElement>('button', { name: 'Send another code' })[1]?.disabled,
  ).toBe(false);
});

it('asks for the word, and sends no code', () => {
  const act = show({ check: 'AGREED_WORD', to: '' });
  expect(screen.queryByRole('button', { name: /Send/ })).toBeNull();
  fireEvent.change(screen.getByLabelText('Word'), { target: { value: 'Grey Goose' } });
  fireEvent.click(screen.getByRole('button', { name: 'Go on' }));
  expect(act.showIdentity).toHaveBeenCalledWith('Grey Goose');
});

it('says how somebody goes on who is kept out', () => {
  show({ locked: true });
  expect(screen.getByText(/office@museum.example.org/)).toBeDefined();
  expect(screen.queryByRole('button')).toBeNull();
});
