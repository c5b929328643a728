import { useEffect, useState } from 'react';
import { say, type RoomCode } from '../messages/rooms';
import { DialogShell } from '../ui/DialogShell';
import { setSingleKeys, singleKey, singleKeysOn } from '../ui/keys';

const groups: { title: RoomCode; keys: [keys: string[], does: RoomCode][] }[] = [
  {
    title: 'office.everywhere',
    keys: [
      [['Ctrl', 'K'], 'office.key-finds'],
      [['Ctrl', 'Enter'], 'office.key-main'],
      [['Esc'], 'office.key-up'],
      [['?'], 'office.key-keys'],
    ],
  },
  {
    title: 'office.in-lists',
    keys: [
      [['/'], 'office.key-filter'],
      [['↑', '↓'], 'office.key-rows'],
      [['Enter'], 'office.key-opens'],
    ],
  },
  {
    title: 'office.at-a-request',
    keys: [
      [['T'], 'office.key-take'],
      [['N'], 'office.key-next'],
    ],
  },
  {
    title: 'office.on-the-workbench',
    keys: [
      [['↑', '↓'], 'office.key-notes'],
      [['Enter'], 'office.key-card'],
      [['←', '→', '↑', '↓'], 'office.key-cursor'],
      [['Shift'], 'office.key-choose'],
      [['Ctrl'], 'office.key-words'],
      [['Ctrl', 'Z'], 'office.key-back'],
      [['Ctrl', 'Shift', 'Z'], 'office.key-again'],
    ],
  },
];

/** `?` lists the keys. */
export function KeysDialog({ open, onOpen }: { open: boolean; onOpen: (open: boolean) => void }) {
  useEffect(() => {
    function press(event: KeyboardEvent) {
      if (singleKey(event) !== '?') return;
      event.preventDefault();
      onOpen(true);
    }
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [onOpen]);
  return (
    <DialogShell open={open} title={say('office.keys')} onClose={() => onOpen(false)}>
      {groups.map(({ title, keys }) => (
        <section key={title} className="pb-3">
          <h3 className="pb-1 text-lg">{say(title)}</h3>
          <dl className="grid grid-cols-[10rem_1fr] gap-y-1">
            {keys.map(([names, does]) => (
              <div key={does} className="contents">
                <dt className="flex flex-wrap items-start gap-1">
                  {names.map((name) => (
                    <kbd
                      key={name}
                      className="rounded-sm border border-edge px-1.5 font-mono text-xs"
                    >
                      {name}
                    </kbd>
                  ))}
                </dt>
                <dd>{say(does)}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
      <SingleKeys />
    </DialogShell>
  );
}

/** Keys without Ctrl or Alt can be done without. */
function SingleKeys() {
  const [on, setOn] = useState(singleKeysOn);
  return (
    <label className="flex min-h-8 items-center gap-2 border-t border-rule pt-2">
      <input
        type="checkbox"
        className="size-5"
        checked={on}
        onChange={(event) => {
          setSingleKeys(event.target.checked);
          setOn(event.target.checked);
        }}
      />
      {say('office.single-keys')}
    </label>
  );
}

export function useKeysDialog() {
  const [open, setOpen] = useState(false);
  return { open, onOpen: setOpen };
}
