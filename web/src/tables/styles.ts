import { say } from '../messages/rooms';

/** How files may be written, with what people call it. */
export const encodings = [
  ['UTF-8', 'UTF-8'],
  ['UTF-16LE', 'UTF-16 LE'],
  ['UTF-16BE', 'UTF-16 BE'],
  ['windows-1252', 'Windows 1252'],
  ['ISO-8859-15', 'ISO 8859-15'],
  ['windows-1250', 'Windows 1250'],
  ['x-MacRoman', say('tables.mac-roman')],
] as const;

export const separators = [
  [',', say('tables.comma')],
  [';', say('tables.semicolon')],
  ['\t', say('tables.tabulator')],
  ['|', say('tables.bar')],
] as const;

export const dateOrders = [
  ['DAY_FIRST', '31.12.2027'],
  ['MONTH_FIRST', '12/31/2027'],
  ['YEAR_FIRST', '2027-12-31'],
] as const;

export const numberMarks = [
  ['POINT', '1,250.50'],
  ['COMMA', '1.250,50'],
  ['SPACE_COMMA', '1 250,50'],
  ['APOSTROPHE', '1’250.50'],
] as const;
