import { createContext } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { readItems, writeItems } from '../composite';
import type { LiveOf } from '../live/source';

export type RowAnswers = Schemas['RowAnswers'];

/** A row of a register that answers were taken from. */
export type Taken = Schemas['TakenAnswer'];

/** Fetches what a row gives for a question; nothing in a form that looks nothing up. */
export type Take = (question: string, row: string, language: string) => Promise<RowAnswers>;

export const Taking = createContext<Take | undefined>(undefined);

/** For the form of a template, or of a request. */
export const takingFor =
  (of: LiveOf): Take =>
  (question, row, language) => {
    const body = { question, row, language };
    return 'template' in of
      ? answer(
          api.POST('/api/v1/templates/{id}/form/taking', {
            params: { path: { id: of.template } },
            body,
          }),
        )
      : answer(
          api.POST('/api/v1/requests/{number}/taking', {
            params: { path: { number: of.request } },
            body,
          }),
        );
  };

/** A list's answer with one more item in it. */
export const withItem = (list: string, item: Record<string, string>): string =>
  writeItems([...readItems(list), item]);

/** What was taken, with a row taken anew: a question of one answer has one row, a list has one for each item. */
export function withTaken(
  taken: Taken[],
  question: string,
  row: RowAnswers,
  list: boolean,
): Taken[] {
  const others = taken.filter((one) => one.question !== question || (list && one.row !== row.row));
  return [...others, { question, row: row.row, said: row.said }];
}
