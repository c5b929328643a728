import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Empty, Trouble } from '../parts';
import { Unshown } from '../Unshown';
import { List, type Column, type Headed, type ListPage } from './List';
import type { ListPlace } from './useListPlace';

/** A list with what stands in its place while it is fetched, when it can't be, and when there is nothing in it. */
export function ListRoom<Row>({
  query,
  waiting,
  empty,
  ...list
}: {
  query: UseQueryResult<ListPage<Row>>;
  /** What is being done while nothing is there yet. */
  waiting: string;
  /** What belongs here, with its first step. */
  empty: ReactNode;
  label: string;
  columns: Column<Row>[];
  keyOf: (row: Row) => string;
  to?: (row: Row) => string;
  place: ListPlace;
  headed?: Headed<Row> | undefined;
}) {
  return (
    <>
      {query.data ? <Trouble error={query.error} /> : <Unshown query={query} waiting={waiting} />}
      {query.data?.total === 0 && <Empty>{empty}</Empty>}
      {query.data && query.data.total > 0 && <List list={query.data} {...list} />}
    </>
  );
}
