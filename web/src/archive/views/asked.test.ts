import { describe, expect, test } from 'vitest';
import {
  changed,
  daysOf,
  readAsked,
  readWhere,
  searchOf,
  viewOf,
  within,
  writeWhere,
} from './asked';

const address =
  'template=t&state=DECLINED&find=lute&from=2027-01-05&where=value%3Afrom%3A1000&where=case%3Ais%3Aa%3A+b&column=value&group=.ended';

describe('what of the archive is asked for', () => {
  test('a view that is kept opens as it was', () => {
    const asked = readAsked(new URLSearchParams(address));
    const search = searchOf({
      id: 'v',
      name: 'Lutes',
      shared: false,
      usual: false,
      template: 't',
      state: 'DECLINED',
      view: viewOf(asked, '-data.value'),
    });
    expect(readAsked(search)).toEqual(asked);
    expect(search.get('sort')).toBe('-data.value');
  });

  test('a value may have colons, and nothing is a value too', () => {
    for (const text of ['case:is:a: b', 'case:is:', 'value:from:1000'])
      expect(writeWhere(readWhere(text))).toBe(text);
    expect(readWhere('case:is:').how).toBe('blank');
  });

  test('a month is opened within the days that are asked for', () => {
    expect(daysOf('2028-02')).toEqual({ from: '2028-02-01', to: '2028-02-29' });
    expect(daysOf('2026-12').to).toBe('2026-12-31');
    const asked = readAsked(new URLSearchParams(address));
    const month = within(asked, '2027-01');
    expect([month.from, month.to, month.group]).toEqual(['2027-01-05', '2027-01-31', '']);
    expect(within({ ...asked, group: 'party.lender' }, 'Ida').where).toContain(
      'party.lender:is:Ida',
    );
    expect(within({ ...asked, group: '.template' }, 'u').template).toBe('u');
  });

  test('a change of what is asked for begins at the first page', () => {
    const next = changed(new URLSearchParams(address + '&page=after.x'), {
      where: [],
      state: 'COMPLETED',
    });
    expect(next.get('page')).toBeNull();
    expect(next.get('state')).toBeNull();
    expect(next.getAll('where')).toEqual([]);
    expect(next.get('find')).toBe('lute');
  });
});
