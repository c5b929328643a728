import { describe, expect, it } from 'vitest';
import {
  circleWords,
  goesWithout,
  wanted,
  whoMay,
  withRight,
  type Group,
  type Who,
} from './rights';

const circle = (everybody: boolean, teams: string[] = [], people: string[] = []) => ({
  everybody,
  teams: teams.map((name) => ({ id: name, name, closed: false })),
  people: people.map((name) => ({ id: name, name, closed: false })),
});
const group: Group = {
  id: '1',
  name: 'Staff',
  revision: 0,
  templates: 2,
  use: circle(false, ['Registrars'], ['Zoe']),
  prepare: circle(false, [], ['Ada', 'Zoe']),
  see: circle(true),
};
const row = (all: Who[], name: string): Who => {
  const found = all.find((one) => one.name === name);
  if (!found) throw new Error(`no ${name}`);
  return found;
};

describe('who may what in a group', () => {
  it('has everybody first, then teams, then people', () => {
    const all = whoMay(group);
    expect(all.map((one) => one.kind)).toEqual(['everybody', 'team', 'person', 'person']);
    expect(all.slice(1).map((one) => one.name)).toEqual(['Registrars', 'Ada', 'Zoe']);
    expect(row(all, 'Zoe').may).toEqual(['use', 'prepare']);
    expect(row(all, 'Everybody whose role lets them').may).toEqual(['see']);
  });

  it('lets everybody do everything in a new one', () => {
    expect(wanted(whoMay(undefined)).prepare).toEqual({ everybody: true, teams: [], people: [] });
  });

  it('knows what goes with something else', () => {
    const all = whoMay({ ...group, see: circle(false) });
    expect(goesWithout(all, row(all, 'Zoe'), 'see')).toBe(true);
    expect(goesWithout(all, row(all, 'Ada'), 'see')).toBe(false);
    expect(goesWithout(whoMay(group), row(all, 'Ada'), 'see')).toBe(true);
    const open = whoMay({ ...group, use: circle(true), see: circle(false) });
    expect(goesWithout(open, row(all, 'Ada'), 'see')).toBe(true);
    expect(goesWithout(open, row(open, 'Everybody whose role lets them'), 'see')).toBe(true);
    expect(goesWithout(open, row(open, 'Everybody whose role lets them'), 'prepare')).toBe(false);
  });

  it('is handed in as it stands', () => {
    const all = whoMay(group).map((one) =>
      one.name === 'Ada' ? withRight(one, 'use', true) : one,
    );
    expect(wanted(all).use).toEqual({
      everybody: false,
      teams: ['Registrars'],
      people: ['Ada', 'Zoe'],
    });
    expect(wanted(all.map((one) => withRight(one, 'use', false))).use.people).toEqual([]);
  });

  it('is told in words', () => {
    expect(circleWords(circle(true))).toBe('everybody');
    expect(circleWords(circle(false))).toBe('nobody');
    expect(circleWords(circle(false, ['Registrars'], ['Zoe']))).toBe('Registrars, Zoe');
  });
});
