import SignaturePad from 'signature_pad';
import { useEffect, useRef, useState } from 'react';
import { useSay } from '../messages/useSay';
import { Button, inputLook } from '../ui/parts';
import { MARK } from './filling';
import { hands, inked, written, type Hand } from './ink';
import type { Mark } from './useAct';

/** The signature: typed in one of three hands, or drawn. */
export function SignatureMark({
  name,
  onMark,
}: {
  name: string;
  onMark: (mark: Mark | undefined) => void;
}) {
  const words = useSay();
  const [drawing, setDrawing] = useState(false);
  return (
    <fieldset id={MARK} className="flex flex-col gap-3">
      <legend className="pb-2 font-medium">{words.say('mark.title')}</legend>
      <div className="flex gap-5">
        {[false, true].map((way) => (
          <label key={String(way)} className="flex min-h-11 items-center gap-2">
            <input
              type="radio"
              name="way"
              className="size-5"
              checked={drawing === way}
              onChange={() => {
                onMark(undefined);
                setDrawing(way);
              }}
            />
            {words.say(way ? 'mark.draw' : 'mark.type')}
          </label>
        ))}
      </div>
      {drawing ? <Drawn onMark={onMark} /> : <Typed name={name} onMark={onMark} />}
    </fieldset>
  );
}

function Typed({ name, onMark }: { name: string; onMark: (mark: Mark | undefined) => void }) {
  const words = useSay();
  const [text, setText] = useState('');
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
        {words.say('mark.name')}
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
              name="hand"
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

function Drawn({ onMark }: { onMark: (mark: Mark | undefined) => void }) {
  const words = useSay();
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<SignaturePad>(null);
  useEffect(() => {
    const target = canvas.current;
    if (!target) return;
    const scale = Math.max(window.devicePixelRatio || 1, 2);
    target.width = target.clientWidth * scale;
    target.height = target.clientHeight * scale;
    target.getContext('2d')?.scale(scale, scale);
    const made = new SignaturePad(target, { penColor: '#14201f', minWidth: 1, maxWidth: 2.6 });
    pad.current = made;
    made.addEventListener('endStroke', () => {
      const picture = inked(target);
      onMark(picture ? { how: 'drawn', picture } : undefined);
    });
    return () => made.off();
  }, [onMark]);
  return (
    <>
      <canvas
        ref={canvas}
        role="img"
        aria-label={words.say('mark.draw-here')}
        className="h-40 w-full touch-none border border-edge bg-[#fffefa]"
      />
      <Button
        className="min-h-11 self-start"
        onClick={() => {
          pad.current?.clear();
          onMark(undefined);
        }}
      >
        {words.say('mark.clear')}
      </Button>
    </>
  );
}
