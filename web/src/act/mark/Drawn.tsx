import SignaturePad from 'signature_pad';
import { useEffect, useRef } from 'react';
import { useSay } from '../../messages/useSay';
import { Button } from '../../ui/parts';
import type { Mark } from '../useAct';
import { inked } from './ink';

/** A mark drawn with finger, pen or mouse. */
export function Drawn({ onMark }: { onMark: (mark: Mark | undefined) => void }) {
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
