import type { Schemas } from '../../api/client';
import type { Condition } from '../../ui/list/Narrow';

export type ArchiveColumn = Schemas['ArchiveColumn'];
export type SavedView = Schemas['SavedView'];
export type State = SavedView['state'];

/** In what an agreement can have ended, the usual way first. */
export const endedStates: State[] = ['COMPLETED', 'DECLINED', 'WITHDRAWN', 'EXPIRED'];

/** What of the archive is asked for, as it stands in the address. */
export type Asked = {
  find: string;
  template: string;
  state: State;
  from: string;
  to: string;
  where: string[];
  /** Columns that are shown; none for all. */
  columns: string[];
  group: string;
};

export function readAsked(params: URLSearchParams): Asked {
  const state = params.get('state') as State | null;
  return {
    find: params.get('find') ?? '',
    template: params.get('template') ?? '',
    state: state && endedStates.includes(state) ? state : 'COMPLETED',
    from: params.get('from') ?? '',
    to: params.get('to') ?? '',
    where: params.getAll('where'),
    columns: params.getAll('column'),
    group: params.get('group') ?? '',
  };
}

/** As the server is asked. */
export function queryOf({ find, template, state, from, to, where }: Asked) {
  return { find, state, from, to, where, ...(template ? { template } : {}) };
}

/** As a file is asked for. */
export function fileOf(asked: Asked, sort: string, format: 'CSV' | 'XLSX'): string {
  const { find, template, state, from, to, where, columns } = asked;
  const query = new URLSearchParams({ format, find, state, from, to, sort });
  if (template) query.set('template', template);
  where.forEach((one) => query.append('where', one));
  columns.forEach((one) => query.append('shown', one));
  return `/api/v1/archive/table?${query.toString()}`;
}

/** A view that is kept, as an address shows it. */
export function searchOf({ id, template, state, view }: SavedView): URLSearchParams {
  const search = new URLSearchParams({ view: id });
  const set = (key: string, value: string) => value && search.set(key, value);
  set('template', template ?? '');
  if (state !== 'COMPLETED') set('state', state);
  set('find', view.find);
  set('from', view.endedFrom);
  set('to', view.endedTo);
  set('group', view.group);
  set('sort', view.sort);
  view.where.forEach((one) => search.append('where', one));
  view.columns.forEach((one) => search.append('column', one));
  return search;
}

/** What is kept of how the archive is looked at. */
export function viewOf(asked: Asked, sort: string): SavedView['view'] {
  return {
    find: asked.find,
    endedFrom: asked.from,
    endedTo: asked.to,
    where: asked.where,
    columns: asked.columns,
    group: asked.group,
    sort,
  };
}

/** A condition without a value asks for what has nothing there. */
export function readWhere(text: string): Condition {
  const [column = '', how = '', ...rest] = text.split(':');
  const value = rest.join(':');
  return how === 'is' && value === ''
    ? { column, how: 'blank', value: '' }
    : { column, how, value };
}

export const writeWhere = ({ column, how, value }: Condition): string =>
  how === 'blank' ? `${column}:is:` : `${column}:${how}:${value}`;

/** The first and last day of a month such as 2027-03. */
export function daysOf(month: string): { from: string; to: string } {
  const [year = 0, at = 0] = month.split('-').map(Number);
  const last = new Date(Date.UTC(year, at, 0)).getUTCDate();
  return { from: `${month}-01`, to: `${month}-${String(last).padStart(2, '0')}` };
}

/** What is looked at when a heading is opened. */
export function within(asked: Asked, key: string): Asked {
  if (asked.group === '.template') return { ...asked, template: key, group: '' };
  if (asked.group === '.ended') {
    const { from, to } = daysOf(key);
    return {
      ...asked,
      group: '',
      from: asked.from > from ? asked.from : from,
      to: asked.to && asked.to < to ? asked.to : to,
    };
  }
  return { ...asked, group: '', where: [...asked.where, `${asked.group}:is:${key}`] };
}

/** The same place with something else asked for. */
export function changed(params: URLSearchParams, asked: Partial<Asked>): URLSearchParams {
  const next = new URLSearchParams(params);
  next.delete('page');
  const { where, columns, ...single } = asked;
  for (const [key, value] of Object.entries(single)) {
    if (value && !(key === 'state' && value === 'COMPLETED')) next.set(key, value);
    else next.delete(key);
  }
  if (where) {
    next.delete('where');
    where.forEach((one) => next.append('where', one));
  }
  if (columns) {
    next.delete('column');
    columns.forEach((one) => next.append('column', one));
  }
  return next;
}
