import { useCallback, useMemo, useState } from 'react';
import type { Schemas } from '../api/client';
import { answerName, inputOf, namesIn, type AnswerAt } from '../intake/live/answerAt';
import { LiveText } from '../intake/live/LiveText';
import type { AskDesk } from './desk';

/** What will be agreed, with the answers in it. */
export function Wording({
  desk,
  form,
  values,
}: {
  desk: AskDesk;
  form: Schemas['Form'];
  values: Record<string, string>;
}) {
  const [document, setDocument] = useState('');
  const known = useMemo(() => namesIn(form.fields), [form.fields]);
  const leads = useCallback(
    ({ name, list }: AnswerAt) => known.has(answerName(name, list)),
    [known],
  );
  return (
    <LiveText
      look={desk.text}
      soFar={{ values, language: form.language, document }}
      leads={leads}
      onGo={(to) =>
        setTimeout(() => {
          const box = window.document.querySelector('form');
          const input = box && inputOf(box, to);
          input?.focus({ preventScroll: true });
          input?.scrollIntoView({ block: 'center' });
        })
      }
      onDocument={setDocument}
    />
  );
}
