// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { Problem } from '../api/client';
import { Blind } from '../blind/Blind';
import { Trouble } from '../ui/parts';
import { catalogueOf, english } from './catalogue';
import { Speech } from './useSay';

describe('a page that speaks a participant’s language', () => {
  afterEach(cleanup);

  it('says numbers, names and plurals as the language does', async () => {
    const dutch = await catalogueOf('nl');
    expect(dutch.say('act.sign', { name: 'Ida Marsh' })).toBe('Ondertekenen als Ida Marsh');
    expect(dutch.say('tries.too-many', { seconds: 1 })).toContain('1 seconde en');
    expect(dutch.say('decline.reason-too-long', { most: 2000 })).toContain('2.000');
    expect(dutch.date('2026-11-25T12:00:00Z')).toBe('25 nov 2026');
  });

  it('is English for everybody else', async () => {
    expect(await catalogueOf('it')).toBe(english);
  });

  it('says what the server refused by its code, messages within messages too', async () => {
    const german = await catalogueOf('de');
    const said = {
      code: 'field.required',
      arguments: { field: { code: 'actor.program', arguments: {} } },
    };
    render(
      <Speech.Provider value={german}>
        <Trouble error={new Problem('The program is required.', 409, {}, said)} />
        <Blind
          slats={[
            {
              party: 'lender',
              label: 'Leihgeber',
              name: 'Ida',
              duty: 'SIGNS',
              stage: 1,
              standing: 'TURN',
              since: null,
            },
          ]}
        />
      </Speech.Provider>,
    );
    expect(screen.getByRole('alert').textContent).toBe('dem Programm muss ausgefüllt werden.');
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe('Leihgeber: ist an der Reihe');
  });

  it('keeps the server’s own words for what it has no code for', async () => {
    const french = await catalogueOf('fr');
    render(
      <Speech.Provider value={french}>
        <Trouble error={new Problem('Something of the office.', 409, {})} />
      </Speech.Provider>,
    );
    expect(screen.getByRole('alert').textContent).toBe('Something of the office.');
  });
});
