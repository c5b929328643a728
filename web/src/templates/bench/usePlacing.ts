import { useMemo, useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { useSay } from '../../messages/useSay';
import type { Placing } from '../../page/SigningPlaces';
import type { Words } from '../../page/words';
import { calledIn } from '../../signingFields/kinds';
import { useDraftAct } from '../useDraftAct';
import type { Bench } from './bench';
import { keyOfSubject, placedAs } from './things';

/** A signing field that is being moved, and which of its places. */
export type Carried = { name: string; occurrence: number; called: string };

type Field = Schemas['SigningField'];

/** Signing fields moved and sized on the pages. */
export function usePlacing(bench: Bench, onOpen: (key: string) => void) {
  const { detail, document, settings, took, change } = bench;
  const words = useSay();
  const [carried, setCarried] = useState<Carried>();
  const move = useDraftAct(
    detail.id,
    (revision, { name, occurrence, to }: { name: string; occurrence: number; to: Words }) =>
      answer(
        api.POST('/api/v1/templates/{id}/wording/place', {
          params: { path: { id: detail.id } },
          body: { revision, document, field: name, occurrence, words: to },
        }),
      ),
    (made) => {
      setCarried(undefined);
      took(made);
    },
  );
  const placing = useMemo(
    (): Omit<Placing, 'lines'> => ({
      of: ({ field: placed }) => {
        const { name } = placedAs(placed, settings.signingFields);
        const field = settings.signingFields.find((one) => one.name === name);
        if (!field) return undefined;
        return {
          key: keyOfSubject({ kind: 'signing', name }),
          called: titleOf(bench, field, calledIn(words, field)),
          size: field.type.size,
          kin: kinOf(settings.signingFields, field).map((one) => one.type.size),
        };
      },
      onOpen,
      onMove: ({ field }, to) => move.mutate({ ...placedAs(field, settings.signingFields), to }),
      onSize: ({ field: placed }, size) => {
        const { name } = placedAs(placed, settings.signingFields);
        change({
          ...settings,
          signingFields: settings.signingFields.map((one) =>
            one.name === name ? sized(one, size) : one,
          ),
        });
      },
    }),
    [bench, settings, words, change, move, onOpen],
  );
  return { placing, carried, setCarried, move };
}

/** Other fields of a field's kind. */
export const kinOf = (fields: Field[], field: Field) =>
  fields.filter((one) => one.type.kind === field.type.kind && one.name !== field.name);

export const sized = (field: Field, size: Schemas['BoxSize']): Field => ({
  ...field,
  type: { ...field.type, size },
});

function titleOf({ settings }: Bench, field: Field, called: string): string {
  const party = settings.parties.find((one) => one.key === field.party);
  return `${party?.label ?? field.party}, ${called}`;
}
