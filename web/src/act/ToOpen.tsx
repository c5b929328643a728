import { useEffect, useRef } from 'react';
import { useSay } from '../messages/useSay';
import { Button } from '../ui/parts';
import { leadTo } from './open';

/** Leads from one thing that is open to the next, by its button and by Ctrl+Enter anywhere. */
export function ToOpen({ open }: { open: string[] }) {
  const words = useSay();
  const go = useRef(() => {});
  useEffect(() => {
    go.current = () => {
      const at = document.activeElement;
      // where somebody is already and leaves it open, the next one is meant
      const here = open.findIndex((name) => at instanceof HTMLElement && standsAt(at, name));
      const order = [...open.slice(here + 1), ...open.slice(0, here + 1)];
      order.find(leadTo);
    };
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey)) return;
      event.preventDefault();
      go.current();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
  return (
    <Button
      className="min-h-11 self-start"
      aria-keyshortcuts="Control+Enter"
      onClick={() => go.current()}
    >
      {words.say('yours.to-open', { count: open.length })}
    </Button>
  );
}

function standsAt(element: HTMLElement, name: string): boolean {
  const id = element.closest('[id]')?.id ?? '';
  return id === name || id.endsWith(`-${name}`);
}
