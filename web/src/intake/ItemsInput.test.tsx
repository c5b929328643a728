// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { DatumInput } from './FieldInput';
import ItemsInput from './ItemsInput';

type Field = Schemas['Field'];

const part = (name: string, type: Field['type']): Field => ({
  name,
  type,
  label: name,
  required: false,
  hint: '',
  choices: [],
  items: [],
  initial: '',
  ownAnswer: false,
  files: { kinds: [], megabytes: 5 },
});
const list: Field = { ...part('objects', 'ITEMS'), items: [part('remark', 'RICH_TEXT')] };

function Form({ items }: { items: string[] }) {
  const [value, setValue] = useState(
    JSON.stringify(items.map((text) => ({ remark: `<p>${text}</p>` }))),
  );
  return (
    <>
      <ItemsInput
        id="objects"
        field={list}
        value={value}
        onChange={setValue}
        Datum={DatumInput}
        describedBy={{ 'aria-describedby': undefined, 'aria-invalid': undefined }}
      />
      <output>{value}</output>
    </>
  );
}

async function shown(count: number) {
  const boxes = count
    ? await screen.findAllByRole('textbox', { name: 'remark' }, { timeout: 10_000 })
    : [];
  return boxes.map((box) => box.textContent);
}

function press(item: number, button: string) {
  const row = screen.getAllByRole('listitem')[item];
  if (!row) throw new Error('no such item');
  fireEvent.click(within(row).getByRole('button', { name: button }));
}

describe('formatted text in a list of items', () => {
  // the editor comes in a piece of its own, which a busy machine may take seconds to read
  beforeAll(() => import('./RichInput'), 60_000);
  afterEach(cleanup);

  for (const items of [['one'], ['one', 'two'], ['one', 'two', 'three']]) {
    it(`goes with its item when the first of ${items.length} is taken out`, async () => {
      render(<Form items={items} />);
      expect(await shown(items.length)).toEqual(items);
      press(0, 'Take out');
      expect(await shown(items.length - 1)).toEqual(items.slice(1));
    });
  }

  it('goes with its item when that is moved', async () => {
    render(<Form items={['one', 'two', 'three']} />);
    expect(await shown(3)).toEqual(['one', 'two', 'three']);
    press(2, 'Up');
    expect(await shown(3)).toEqual(['one', 'three', 'two']);
    press(0, 'Down');
    expect(await shown(3)).toEqual(['three', 'one', 'two']);
    expect(screen.getByRole('status').textContent).toContain('three');
  });
});
