import { say, type RoomCode } from '../../messages/rooms';
import { Button, inputLook } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { FieldCard } from '../bench/cards/FieldCard';
import { Part, Setting } from '../bench/cards/parts';
import { withDocument, type DataPlace, type TemplateDocument } from './document';
import type { Item } from './items';
import { Tied } from './Tied';

const styles: [DataPlace['style'], RoomCode][] = [
  ['SANS', 'documents.letters-plain'],
  ['SERIF', 'documents.letters-serif'],
  ['MONO', 'documents.letters-mono'],
];
const sides: [DataPlace['align'], RoomCode][] = [
  ['LEFT', 'documents.side-left'],
  ['MIDDLE', 'documents.side-middle'],
  ['RIGHT', 'documents.side-right'],
];
const fits: [DataPlace['fit'], RoomCode][] = [
  ['SHRINK', 'documents.fit-shrink'],
  ['WRAP', 'documents.fit-wrap'],
];

/** Everything that there is to settle about a datum on a fixed document: how it is printed there, and what it is. */
export function DataPlaceCard({
  bench,
  document,
  item,
  onRemove,
}: {
  bench: Bench;
  document: TemplateDocument;
  item: Item;
  onRemove: () => void;
}) {
  const { settings, fixed, change } = bench;
  const place = document.data[item.at.index];
  if (!place) return null;
  const set = (part: Partial<DataPlace>) =>
    change(
      withDocument(settings, document.id, {
        data: document.data.map((one, i) => (i === item.at.index ? { ...one, ...part } : one)),
      }),
    );
  const [name = ''] = place.tag.split('.');
  const field = settings.fields.find((one) => one.name === name);
  const answers =
    field?.type === 'YES_NO' ? ['yes', 'no'] : field?.type === 'CHOICE' ? field.choices : [];
  return (
    <div className="flex flex-col gap-2">
      <fieldset disabled={fixed} className="flex min-w-0 flex-col gap-2">
        <legend className="sr-only">{say('documents.how-it-is-printed')}</legend>
        {answers.length > 0 && (
          <Setting label={say('documents.prints')}>
            <select
              className={inputLook}
              value={place.marks}
              onChange={(event) => set({ marks: event.target.value })}
            >
              <option value="">{say('documents.the-answer')}</option>
              {answers.map((one) => (
                <option key={one} value={one}>
                  {say('documents.a-cross-for', {
                    answer: field?.type === 'YES_NO' ? say(yesNo(one)) : one,
                  })}
                </option>
              ))}
            </select>
          </Setting>
        )}
        {!place.marks && (
          <div className="grid grid-cols-2 gap-2">
            <Pick
              label={say('documents.letters')}
              value={place.style}
              ways={styles}
              onPick={(style) => set({ style })}
            />
            <Setting label={say('documents.points')}>
              <input
                type="number"
                min={6}
                max={72}
                step={0.5}
                className={inputLook}
                value={place.points}
                onChange={(event) => {
                  const points = event.target.valueAsNumber;
                  if (points >= 6 && points <= 72) set({ points });
                }}
              />
            </Setting>
            <Pick
              label={say('documents.side')}
              value={place.align}
              ways={sides}
              onPick={(align) => set({ align })}
            />
            <Pick
              label={say('documents.when-too-long')}
              value={place.fit}
              ways={fits}
              onPick={(fit) => set({ fit })}
            />
          </div>
        )}
      </fieldset>
      <Tied bench={bench} document={document} item={item} />
      {!fixed && (
        <Button className="self-start" onClick={onRemove}>
          {say('documents.take-off')}
        </Button>
      )}
      {field && (
        <Part title={say('documents.the-datum-itself')}>
          <FieldCard
            bench={bench}
            name={field.name}
            list=""
            walk={{ count: 1, at: 0, onGo: () => undefined }}
            onOpen={() => undefined}
          />
        </Part>
      )}
    </div>
  );
}

const yesNo = (answer: string): RoomCode => (answer === 'yes' ? 'documents.yes' : 'documents.no');

function Pick<T extends string>({
  label,
  value,
  ways,
  onPick,
}: {
  label: string;
  value: T;
  ways: [T, RoomCode][];
  onPick: (value: T) => void;
}) {
  return (
    <Setting label={label}>
      <select
        className={inputLook}
        value={value}
        onChange={(event) => {
          const way = ways.find(([one]) => one === event.target.value);
          if (way) onPick(way[0]);
        }}
      >
        {ways.map(([one, words]) => (
          <option key={one} value={one}>
            {say(words)}
          </option>
        ))}
      </select>
    </Setting>
  );
}
