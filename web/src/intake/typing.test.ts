import { expect, test } from 'vitest';
import { initials, typed, typedNumber } from './typing';

const field = (type: 'MONEY' | 'NUMBER' | 'ITEMS') => ({
  name: 'x',
  type,
  label: 'X',
  required: false,
  hint: '',
  choices: [],
  items: [],
  initial: '',
  ownAnswer: false,
  files: { kinds: [], megabytes: 5 },
});

test('a stored number is shown with the marks of the language', () => {
  expect(typedNumber('12500.50', 'en-GB')).toBe('12,500.50');
  expect(typedNumber('12500.50', 'nl')).toBe('12.500,50');
  expect(typedNumber('12500.50', 'de-CH')).toMatch(/^12[’']500.50$/);
  expect(typedNumber('-1250', 'de')).toBe('-1.250');
  expect(typedNumber('12345678901234567890.12', 'en-GB')).toBe('12,345,678,901,234,567,890.12');
});

test('what is no plain number is shown as it stands', () => {
  expect(typedNumber('much', 'nl')).toBe('much');
});

test('money keeps its currency, and items are shown part by part', () => {
  expect(typed(field('MONEY'), 'EUR 12500.00', 'nl')).toBe('EUR 12.500,00');
  const list = { ...field('ITEMS'), items: [{ ...field('MONEY'), name: 'value' }] };
  expect(typed(list, '[{"value":"EUR 1250.00"}]', 'de')).toBe('[{"value":"EUR 1.250,00"}]');
});

test('begins a form with what its fields say, and nothing else', () => {
  const fields = [
    { ...field('MONEY'), name: 'fee', initial: 'EUR 75.00' },
    { ...field('NUMBER'), name: 'copies' },
  ];
  expect(initials(fields)).toEqual({ fee: 'EUR 75.00' });
});
