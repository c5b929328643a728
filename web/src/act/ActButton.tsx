import { useEffect, useRef, useState } from 'react';
import { useSay } from '../messages/useSay';
import { Button } from '../ui/parts';

/** The act: one press that says what it does, or a second one where the office asks for it. */
export function ActButton({
  verb,
  signed,
  twice,
  disabled,
  onAct,
}: {
  verb: string;
  /** What the act is about: the first press is for this and nothing else. */
  signed: object;
  twice: boolean;
  disabled: boolean;
  onAct: () => void;
}) {
  const words = useSay();
  const [pressedFor, setPressedFor] = useState<object>();
  const sure = pressedFor === signed;
  const second = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (sure) second.current?.focus();
  }, [sure]);
  if (!twice || !sure) {
    return (
      <Button
        look="main"
        className="min-h-11 justify-center text-lg"
        disabled={disabled}
        onClick={() => (twice ? setPressedFor(signed) : onAct())}
      >
        {verb}
      </Button>
    );
  }
  return (
    <div className="flex flex-col gap-3 border-l-4 border-clay bg-paper p-3">
      <p>{words.say('act.second-press')}</p>
      <button
        ref={second}
        type="button"
        data-main=""
        disabled={disabled}
        className="inline-flex min-h-11 items-center justify-center rounded-sm border border-act bg-act px-3 py-1 text-lg font-medium text-onbottle disabled:opacity-55"
        onClick={onAct}
      >
        {words.say('act.for-good', { verb })}
      </button>
      <Button className="min-h-11 justify-center" onClick={() => setPressedFor(undefined)}>
        {words.say('decline.back')}
      </Button>
    </div>
  );
}
