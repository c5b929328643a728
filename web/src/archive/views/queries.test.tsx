// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { useFollowed } from './queries';

type Columns = Schemas['TemplateColumnsView'];
const asked = ['archive', 'groups', {}];

function Room({ columns }: { columns: Columns | undefined }) {
  useFollowed(columns);
  return null;
}

const columns = (behind: number, ...keys: string[]): Columns => ({
  behind,
  chosen: keys.map((key) => ({ key, label: key, kind: 'NUMBER' })),
  offered: [],
});

it('asks anew for sums that were added up before all was gone through', () => {
  const client = new QueryClient();
  client.setQueryData(asked, 'as it was');
  const stale = () => client.getQueryState(asked)?.isInvalidated;
  const room = (data: Columns | undefined) => (
    <QueryClientProvider client={client}>
      <Room columns={data} />
    </QueryClientProvider>
  );
  const { rerender } = render(room(undefined));
  expect(stale()).toBe(false);
  rerender(room(columns(0)));
  client.setQueryData(asked, 'of no column');
  rerender(room(columns(0)));
  expect(stale()).toBe(false);
  // all was gone through before anybody heard that it wasn't
  rerender(room(columns(0, 'insured_value')));
  expect(stale()).toBe(true);
  client.setQueryData(asked, 'of some');
  rerender(room(columns(2, 'insured_value')));
  expect(stale()).toBe(true);
});
