import { useContext, useRef, useState } from 'react';
import { problemWords, useSay } from '../messages/useSay';
import { Button, describedBy } from '../ui/parts';
import { Attaching, LARGEST } from './attaching';
import type { AskedProps, FieldKind } from './kind';

/** What a file is called: the answer names it by its hash and then so. */
const nameOf = (answer: string) => answer.slice(answer.indexOf(' ') + 1);

function FileInput({ id, type, value, onChange, fault }: AskedProps) {
  const words = useSay();
  const attach = useContext(Attaching);
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<unknown>();
  if (type.kind !== 'file') return null;
  async function take(file: File | undefined) {
    if (!file) return;
    setProblem(undefined);
    setBusy(true);
    try {
      onChange(await attach(file));
    } catch (error) {
      setProblem(error);
    } finally {
      setBusy(false);
      if (input.current) input.current.value = ''; // the same file can be chosen again
    }
  }
  const described = describedBy(id, type.hint || undefined, fault);
  return (
    <div className="flex flex-col gap-2 has-[input:focus-visible]:outline-2 has-[input:focus-visible]:outline-offset-4 has-[input:focus-visible]:outline-act">
      <p id={`${id}-what`} className="text-soft">
        {words.say('attach.what', { most: LARGEST / 1_000_000 })}
      </p>
      <input
        ref={input}
        id={id}
        type="file"
        accept="application/pdf,image/png,image/jpeg"
        className="sr-only"
        {...described}
        aria-describedby={[`${id}-what`, described['aria-describedby']].filter(Boolean).join(' ')}
        onChange={(event) => void take(event.target.files?.[0])}
      />
      {value && <p className="font-medium break-words">{nameOf(value)}</p>}
      <span className="flex flex-wrap gap-2">
        <Button
          className="min-h-11"
          tabIndex={-1}
          aria-hidden="true"
          disabled={busy}
          onClick={() => input.current?.click()}
        >
          {words.say(value ? 'attach.another' : 'attach.choose')}
        </Button>
        {value && (
          <Button className="min-h-11" disabled={busy} onClick={() => onChange('')}>
            {words.say('attach.leave-out')}
          </Button>
        )}
      </span>
      <span role="status" className="text-soft">
        {busy && words.say('attach.busy')}
      </span>
      {problem !== undefined && (
        <p role="alert" className="text-oxide">
          {problemWords(words, problem)}
        </p>
      )}
    </div>
  );
}

export const file: FieldKind = {
  settings: ['kind', 'hint', 'required', 'requiredWhen', 'when', 'repeats'],
  shown: (given) => ({ text: given.answer ? nameOf(given.answer) : '', lines: true }),
  called: 'templates.file-kind',
  usual: () => ({
    kind: 'file',
    required: true,
    hint: '',
    size: { widthMm: 70, heightMm: 8 },
  }),
  asked: {
    Input: FileInput,
    hint: (type) => (type.kind === 'file' ? type.hint : ''),
    preset: () => '',
  },
};
