import { useState } from 'react';
import { useSay } from '../../messages/useSay';
import { INITIALS, MARK, type Filling } from '../filling';
import type { SigningPage } from '../useAct';
import { forgetMarks } from './keptMarks';
import { MarkInput } from './MarkInput';

/** The signature, and initials where the documents have places for them. */
export function Marks({ page, filling }: { page: SigningPage; filling: Filling }) {
  const words = useSay();
  const [kept, setKept] = useState(filling.kept);
  return (
    <>
      <MarkInput
        id={MARK}
        legend={words.say('mark.title')}
        typing={words.say('mark.name')}
        name={page.name}
        kept={kept?.mark}
        onMark={filling.setMark}
      />
      {page.initials && (
        <MarkInput
          id={INITIALS}
          legend={words.say('mark.initials')}
          typing={words.say('mark.type-initials')}
          name={initialsOf(page.name)}
          first={initialsOf(page.name)}
          kept={kept?.initials}
          onMark={filling.setInitials}
        />
      )}
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="size-6"
          checked={filling.keeping}
          onChange={(event) => filling.setKeeping(event.target.checked)}
        />
        {words.say('mark.keep')}
      </label>
      {kept && (
        <button
          type="button"
          className="min-h-11 self-start text-slate underline underline-offset-3"
          onClick={() => {
            forgetMarks();
            setKept(undefined);
            filling.setKeeping(false);
          }}
        >
          {words.say('mark.forget')}
        </button>
      )}
    </>
  );
}

/** The first letters of the words of a name. */
export function initialsOf(name: string): string {
  return name
    .trim()
    .split(/[\s-]+/)
    .map((word) => [...word][0] ?? '')
    .join('')
    .toLocaleUpperCase();
}
