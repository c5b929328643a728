// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { ActButton } from './ActButton';

afterEach(cleanup);

const one = { values: { note: 'sound' } };
const press = (name: RegExp) => fireEvent.click(screen.getByRole('button', { name }));

it('acts at the first press', () => {
  const act = vi.fn();
  render(<ActButton signed={one} verb="Sign as Ida" twice={false} disabled={false} onAct={act} />);
  press(/^Sign as Ida$/);
  expect(act).toHaveBeenCalledOnce();
});

it('acts at the second press where it takes two, and not when somebody goes back', () => {
  const act = vi.fn();
  render(<ActButton signed={one} verb="Sign as Ida" twice disabled={false} onAct={act} />);
  press(/^Sign as Ida$/);
  expect(document.activeElement?.textContent).toContain('for good');
  press(/Go back/);
  expect(act).not.toHaveBeenCalled();
  press(/^Sign as Ida$/);
  press(/for good/);
  expect(act).toHaveBeenCalledOnce();
});

it('is pressed anew when what is signed has changed', () => {
  const act = vi.fn();
  const button = (signed: object) => (
    <ActButton signed={signed} verb="Sign as Ida" twice disabled={false} onAct={act} />
  );
  const { rerender } = render(button(one));
  press(/^Sign as Ida$/);
  rerender(button(one));
  expect(screen.getByRole('button', { name: /for good/ })).toBeDefined();
  rerender(button({ values: { note: 'other' } }));
  expect(screen.queryByRole('button', { name: /for good/ })).toBeNull();
});
