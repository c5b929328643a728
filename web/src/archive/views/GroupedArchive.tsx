import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { List, type Column } from '../../ui/list/List';
import { Button, Empty, Trouble, Waiting } from '../../ui/parts';
import { Unshown } from '../../ui/Unshown';
import { changed, within, type ArchiveColumn, type Asked } from './asked';
import { monthWords, sumWords } from './columns';
import { useArchive, useGroups } from './queries';

type Item = Schemas['AgreementItem'];
type Group = Schemas['GroupView'];

/** The archive under headings, each with how many there are and what their numbers come to, and opened where it stands. */
export function GroupedArchive({
  asked,
  sort,
  title,
  all,
  columns,
  sums,
  months,
}: {
  asked: Asked;
  sort: string;
  /** What it is grouped by. */
  title: string;
  /** All the template's columns. */
  all: ArchiveColumn[];
  columns: Column<Item>[];
  sums: ArchiveColumn[];
  /** Whether the headings are months. */
  months: boolean;
}) {
  const [page, setPage] = useState(0);
  const [open, setOpen] = useState<string[]>([]);
  const groups = useGroups(asked, asked.group, page);
  if (!groups.data) return <Unshown query={groups} waiting={say('archive.adding-up')} />;
  if (groups.data.all.count === 0) return <Empty>{say('archive.nothing-is-so')}</Empty>;
  const words = (group: Group) => {
    if (group.title === '') return say('archive.nothing-there');
    if (months) return monthWords(group.title);
    const yesNo = all.find(({ key }) => key === asked.group)?.kind === 'YES_NO';
    return yesNo ? say(group.title === 'yes' ? 'archive.yes' : 'archive.no') : group.title;
  };
  return (
    <>
      <Trouble error={groups.error} />
      <table aria-label={title} className="w-full border-collapse text-left">
        <thead>
          <tr className="border-b border-edge text-soft">
            <th scope="col" className="h-8 px-2 font-medium">
              {title}
            </th>
            <th scope="col" className="h-8 w-32 px-2 text-right font-medium">
              {say('archive.agreements')}
            </th>
            {sums.map(({ key, label }) => (
              <th key={key} scope="col" className="h-8 w-56 px-2 text-right font-medium">
                {label}
              </th>
            ))}
          </tr>
        </thead>
        {groups.data.groups.map((group) => {
          const isOpen = open.includes(group.key);
          return (
            <tbody key={group.key}>
              <tr className="h-9 border-b border-rule">
                <th scope="row" className="px-2 font-serif text-lg font-normal">
                  <button
                    type="button"
                    aria-expanded={isOpen}
                    className="min-h-7 text-left"
                    onClick={() =>
                      setOpen(
                        isOpen ? open.filter((one) => one !== group.key) : [...open, group.key],
                      )
                    }
                  >
                    <span aria-hidden="true">{isOpen ? '▾ ' : '▸ '}</span>
                    {words(group)}
                  </button>
                </th>
                <td className="px-2 text-right tabular-nums">
                  {group.count.toLocaleString('en-GB')}
                </td>
                {sums.map((column) => (
                  <td key={column.key} className="px-2 text-right tabular-nums">
                    {sumWords(group, column)}
                  </td>
                ))}
              </tr>
              {isOpen && (
                <tr>
                  <td colSpan={2 + sums.length} className="border-b border-rule pb-4 pl-6">
                    <Within
                      asked={within(asked, group.key)}
                      sort={sort}
                      label={words(group)}
                      count={group.count}
                      columns={columns}
                    />
                  </td>
                </tr>
              )}
            </tbody>
          );
        })}
        <tfoot>
          <tr className="h-9 border-t border-edge">
            <th scope="row" className="px-2 font-medium">
              {say('archive.in-all')}
            </th>
            <td className="px-2 text-right font-medium tabular-nums">
              {groups.data.all.count.toLocaleString('en-GB')}
            </td>
            {sums.map((column) => (
              <td key={column.key} className="px-2 text-right font-medium tabular-nums">
                {sumWords(groups.data.all, column)}
              </td>
            ))}
          </tr>
        </tfoot>
      </table>
      {(page > 0 || groups.data.more) && (
        <nav aria-label={say('archive.pages-of-headings')} className="flex gap-3 pt-2">
          <Button disabled={page === 0} onClick={() => setPage(page - 1)}>
            {say('ui.page-before')}
          </Button>
          <Button disabled={!groups.data.more} onClick={() => setPage(page + 1)}>
            {say('ui.next-page')}
          </Button>
        </nav>
      )}
    </>
  );
}

/** The first of a heading's agreements, and the way to all of them. */
function Within({
  asked,
  sort,
  label,
  count,
  columns,
}: {
  asked: Asked;
  sort: string;
  label: string;
  count: number;
  columns: Column<Item>[];
}) {
  const list = useArchive(asked, { sort, at: { page: 0, after: '', before: '' } });
  if (!list.data) return <Waiting what={say('archive.looking-into-the-archive')} />;
  const room = asked.state === 'COMPLETED' ? '/archive' : '/agreements';
  return (
    <>
      <Trouble error={list.error} />
      <List
        label={label}
        list={list.data}
        columns={columns}
        keyOf={(item) => item.number}
        to={(item) => `${room}/${item.number}`}
      />
      {list.data.items.length < count && (
        <p className="pt-2">
          <Link to={{ search: changed(new URLSearchParams({ sort }), asked).toString() }}>
            {say('archive.all-of-this', { count })}
          </Link>
        </p>
      )}
    </>
  );
}
