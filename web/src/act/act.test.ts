import { expect, test } from 'vitest';
import { bounds } from './mark/ink';
import { missing } from './YourPart';

const text = {
  kind: 'text' as const,
  required: true,
  hint: '',
  size: { widthMm: 60, heightMm: 6 },
  check: 'ANY' as const,
  preset: '',
  shortest: 0,
  longest: 0,
  pattern: '',
};
const signer = {
  duty: 'SIGNS' as const,
  toComplete: [
    {
      name: 'vat',
      label: 'VAT number',
      required: true,
      type: text,
      when: { field: '', answer: '' },
      requiredWhen: { field: '', answer: '' },
    },
  ],
};
const mark = { how: 'drawn', picture: 'AAAA' };

test('what is still open is named', () => {
  expect(missing(signer, {}, mark)).toBe('Still to complete: VAT number.');
  expect(missing(signer, { vat: 'XX 1' }, undefined)).toBe('Type or draw your signature.');
  expect(missing(signer, { vat: 'XX 1' }, mark)).toBe('');
});

test('what waits for another answer is open only with that answer', () => {
  const page = {
    ...signer,
    toComplete: [
      ...signer.toComplete,
      {
        name: 'country',
        label: 'Country of registration',
        required: true,
        type: text,
        when: { field: 'vat', answer: 'XX 1' },
        requiredWhen: { field: '', answer: '' },
      },
    ],
  };
  expect(missing(page, { vat: 'XX 2' }, mark)).toBe('');
  expect(missing(page, { vat: 'XX 1' }, mark)).toBe('Still to complete: Country of registration.');
});

test('what may stay empty is open once another answer requires it', () => {
  const page = {
    ...signer,
    toComplete: [
      ...signer.toComplete,
      {
        name: 'country',
        label: 'Country of registration',
        required: false,
        type: { ...text, required: false },
        when: { field: '', answer: '' },
        requiredWhen: { field: 'vat', answer: 'XX 1' },
      },
    ],
  };
  expect(missing(page, { vat: 'XX 2' }, mark)).toBe('');
  expect(missing(page, { vat: 'XX 1' }, mark)).toBe('Still to complete: Country of registration.');
});

test('blanks are no answer', () => {
  expect(missing(signer, { vat: '  ' }, mark)).not.toBe('');
});

test('who approves needs no signature', () => {
  expect(missing({ duty: 'APPROVES', toComplete: [] }, {}, undefined)).toBe('');
});

test('the ink of a picture is boxed with a margin, and an empty picture has none', () => {
  const data = new Uint8ClampedArray(20 * 20 * 4);
  expect(bounds(data, 20, 20)).toBeUndefined();
  data[(10 * 20 + 8) * 4 + 3] = 255;
  expect(bounds(data, 20, 20)).toEqual({ left: 4, top: 6, width: 9, height: 9 });
});
