import { useEffect, useId, useState } from 'react';
import { useSay } from '../../messages/useSay';
import { inputLook } from '../../ui/parts';
import type { Mark } from '../useAct';
import { hands, written, type Hand } from './ink';

/** A mark typed in one of three hands. */
export function Typed({
  name,
  label,
  first = '',
  onMark,
}: {
  /** What is shown until something is typed. */
  name: string;
  label: string;
  /** What stands there at first. */
  first?: string;
  onMark: (mark: Mark | undefined) => void;
}) {
  const words = useSay();
  const group = useId();
  const [text, setText] = useState(first);
  const [hand, setHand] = useState<Hand>(hands[0]);
  useEffect(() => {
    let ended = false;
    const typed = text.trim();
    if (!typed) {
      onMark(undefined);
      return;
    }
    void written(typed, hand).then((picture) => {
      if (!ended) onMark(picture ? { how: `typed:${hand}`, picture } : undefined);
    });
    return () => {
      ended = true;
    };
  }, [text, hand, onMark]);
  return (
    <>
      <label className="flex flex-col gap-1">
        {label}
        <input
          className={`${inputLook} min-h-11`}
          autoComplete="name"
          maxLength={80}
          placeholder={name}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <div role="radiogroup" aria-label={words.say('mark.hands')} className="flex flex-col gap-1">
        {hands.map((one, i) => (
          <label key={one} className="flex min-h-11 items-center gap-3 border-b border-rule">
            <input
              type="radio"
              name={group}
              aria-label={words.say('mark.hand', { number: i + 1 })}
              className="size-5"
              checked={hand === one}
              onChange={() => setHand(one)}
            />
            <span className="truncate text-2xl" style={{ fontFamily: `'${one}'` }}>
              {text.trim() || name}
            </span>
          </label>
        ))}
      </div>
    </>
  );
}
