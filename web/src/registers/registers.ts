import { useQuery } from '@tanstack/react-query';
import { allOf } from '../api/all';
import { answer, api, type Schemas } from '../api/client';

export type Terms = Schemas['RegisterTerms'];
export type RegisterColumn = Schemas['RegisterColumn'];
export type Row = Schemas['RegisterRow'];

/** In which numbers are typed and shown in the registers. */
export const LANGUAGE = 'en-GB';

export function useRegister(name: string) {
  return useQuery({
    queryKey: ['register', name],
    enabled: name !== '',
    queryFn: () =>
      answer(api.GET('/api/v1/registers/{register}', { params: { path: { register: name } } })),
  });
}

/** All registers, for choosing one. */
export function useRegisters() {
  return useQuery({
    queryKey: ['registers', 'all'],
    queryFn: () =>
      allOf((page) => answer(api.GET('/api/v1/registers', { params: { query: { page } } }))),
  });
}

export function useRow(register: string, id: string) {
  return useQuery({
    queryKey: ['register-row', register, id],
    queryFn: () =>
      answer(
        api.GET('/api/v1/registers/{register}/rows/{id}', { params: { path: { register, id } } }),
      ),
  });
}

/** Templates whose forms take rows of a register. */
export function useRowTemplates(register: string) {
  return useQuery({
    queryKey: ['register-templates', register],
    queryFn: () =>
      answer(api.GET('/api/v1/registers/{register}/templates', { params: { path: { register } } })),
  });
}

/** Kinds of data that one line of typing changes in its cell; the others have their inputs in the row's room. */
const inCell: RegisterColumn['field']['type'][] = [
  'TEXT',
  'NUMBER',
  'MONEY',
  'DATE',
  'YES_NO',
  'CHOICE',
  'MAIL_ADDRESS',
  'WEB_ADDRESS',
  'PHONE',
];

export const editedInCell = ({ field }: RegisterColumn) => inCell.includes(field.type);

/** How wide a column begins, by what stands in it. */
export function widthOf({ field, related }: RegisterColumn): number {
  if (related) return 200;
  switch (field.type) {
    case 'YES_NO':
      return 80;
    case 'DATE':
    case 'NUMBER':
      return 110;
    case 'MONEY':
      return 140;
    case 'LONG_TEXT':
    case 'RICH_TEXT':
    case 'ADDRESS':
      return 280;
    default:
      return 180;
  }
}

/** What a list of rows is narrowed by, as it stands in the address. */
export type Condition = { column: string; how: string; value: string };

export function readConditions(params: URLSearchParams): Condition[] {
  return params.getAll('where').map((text) => {
    const [column = '', how = '', ...value] = text.split(':');
    return { column, how, value: value.join(':') };
  });
}

export const writeCondition = ({ column, how, value }: Condition): string =>
  value ? `${column}:${how}:${value}` : `${column}:${how}`;
