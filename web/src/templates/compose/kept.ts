import type { Schemas } from '../../api/client';

/** What is being written, as it is kept until it is a template. */
export type Written = Required<Schemas['Composition']>;

const KEY = 'jalousie.written';

export const nothing: Written = {
  title: '',
  html: '',
  header: '',
  footer: '',
  pageNumbers: true,
  logo: '',
  paper: 'A4',
  marginMm: 23,
};

/** What was being written in this browser when it was last left. */
export function kept(): Written {
  try {
    const known: unknown = JSON.parse(localStorage.getItem(KEY) ?? '{}');
    return { ...nothing, ...(known as Partial<Written>) };
  } catch {
    return nothing;
  }
}

/** Whether it could be kept; a browser may have no room left for it. */
export function keep(written: Written): boolean {
  try {
    localStorage.setItem(KEY, JSON.stringify(written));
    return true;
  } catch {
    return false;
  }
}

/** Nothing is kept once it is a template, or once somebody else may sit here. */
export const forgetWritten = () => localStorage.removeItem(KEY);
