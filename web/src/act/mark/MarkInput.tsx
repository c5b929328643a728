import { useEffect, useId, useState } from 'react';
import type { Code } from '../../messages/catalogue';
import { useSay } from '../../messages/useSay';
import type { Mark } from '../useAct';
import { Drawn } from './Drawn';
import { OwnPicture } from './OwnPicture';
import { Typed } from './Typed';

type Way = 'kept' | 'typed' | 'drawn' | 'picture';

const ways: Record<Way, Code> = {
  kept: 'mark.use-kept',
  typed: 'mark.type',
  drawn: 'mark.draw',
  picture: 'mark.picture',
};

/** A signature, or initials: as it was kept, typed in one of three hands, drawn, or a picture of one's own. */
export function MarkInput({
  id,
  legend,
  typing,
  name,
  first = '',
  kept,
  onMark,
}: {
  id: string;
  legend: string;
  /** What the input for typing is called. */
  typing: string;
  name: string;
  first?: string;
  /** What was kept from the last time. */
  kept: Mark | undefined;
  onMark: (mark: Mark | undefined) => void;
}) {
  const words = useSay();
  const group = useId();
  const [way, setWay] = useState<Way>(kept ? 'kept' : 'typed');
  const offered = (Object.keys(ways) as Way[]).filter((one) => one !== 'kept' || kept);
  // what was kept is forgotten while it was chosen
  if (way === 'kept' && !kept) setWay('typed');
  return (
    <fieldset id={id} className="flex flex-col gap-3">
      <legend className="pb-2 font-medium">{legend}</legend>
      <div className="flex flex-wrap gap-x-5">
        {offered.map((one) => (
          <label key={one} className="flex min-h-11 items-center gap-2">
            <input
              type="radio"
              name={group}
              className="size-5"
              checked={way === one}
              onChange={() => {
                onMark(undefined);
                setWay(one);
              }}
            />
            {words.say(ways[one])}
          </label>
        ))}
      </div>
      {way === 'kept' && kept && <Kept mark={kept} onMark={onMark} />}
      {way === 'typed' && <Typed name={name} label={typing} first={first} onMark={onMark} />}
      {way === 'drawn' && <Drawn onMark={onMark} />}
      {way === 'picture' && <OwnPicture onMark={onMark} />}
    </fieldset>
  );
}

function Kept({ mark, onMark }: { mark: Mark; onMark: (mark: Mark | undefined) => void }) {
  const words = useSay();
  useEffect(() => onMark(mark), [mark, onMark]);
  return (
    <img
      src={`data:image/png;base64,${mark.picture}`}
      alt={words.say('mark.kept-one')}
      className="max-h-24 self-start border border-rule bg-[#fffefa] p-2"
    />
  );
}
