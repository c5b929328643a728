import { useCallback, useMemo, useState, type RefObject } from 'react';
import { useWatch, type Control } from 'react-hook-form';
import type { Answers, Field } from '../inputProps';
import { answerName, inputOf, namesIn, type AnswerAt } from './answerAt';
import { LivePages } from './LivePages';
import { LiveText } from './LiveText';
import { liveText, type LiveOf } from './source';
import { useWide } from './useWide';

/** The agreement beside its form: pages where there is room for them, else its text. */
export function Live({
  of,
  control,
  language,
  fields,
  form,
  at,
}: {
  of: LiveOf;
  control: Control<Answers>;
  /** In which numbers are typed. */
  language: string;
  /** The form's fields: what else stands on the pages leads nowhere. */
  fields: Field[];
  form: RefObject<HTMLFormElement | null>;
  at: AnswerAt | undefined;
}) {
  const values = useWatch({ control, name: 'values' });
  const [document, setDocument] = useState('');
  const wide = useWide();
  const go = (to: AnswerAt) => {
    // a dialog that closes gives the focus back to what opened it, and then it is ours
    setTimeout(() => {
      const input = form.current && inputOf(form.current, to);
      input?.focus({ preventScroll: true });
      input?.scrollIntoView({ block: 'center' });
    });
  };
  const soFar = { values, language, document };
  const known = useMemo(() => namesIn(fields), [fields]);
  const leads = useCallback(
    ({ name, list }: AnswerAt) => known.has(answerName(name, list)),
    [known],
  );
  const shared = { soFar, leads, onGo: go, onDocument: setDocument };
  return wide ? (
    <LivePages {...shared} of={of} at={at} />
  ) : (
    <LiveText {...shared} look={(wanted) => liveText(of, wanted)} />
  );
}
