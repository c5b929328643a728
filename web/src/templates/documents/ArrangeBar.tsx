import { say, type RoomCode } from '../../messages/rooms';
import { mmOf } from '../../page/boxSize';
import { Button } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { withDocument, type TemplateDocument } from './document';
import { movedSpot, withItems, type Box, type Item } from './items';
import { arranged, type Arranging } from '../../page/snapping';

const ways: { how: Arranging; words: RoomCode; least: number }[] = [
  { how: 'left', words: 'documents.level-left', least: 2 },
  { how: 'top', words: 'documents.level-top', least: 2 },
  { how: 'across', words: 'documents.spread-across', least: 3 },
  { how: 'down', words: 'documents.spread-down', least: 3 },
];

/** What can be done with several things that are chosen together: brought in line, spread evenly, made as large as the first. */
export function ArrangeBar({
  bench: { settings, change },
  document,
  chosen,
  onDone,
}: {
  bench: Bench;
  document: TemplateDocument;
  chosen: Item[];
  onDone: () => void;
}) {
  const placed = chosen.filter((item): item is Item & { box: Box } => item.box !== undefined);
  const page = placed[0]?.box.page;
  const together = placed.filter(({ box }) => box.page === page);
  const arrange = (how: Arranging) => {
    const boxes = arranged(
      together.map(({ box }) => box),
      how,
    );
    change(
      withDocument(
        settings,
        document.id,
        withItems(document, together, (item) => {
          const at = together.findIndex(({ id }) => id === item.id);
          const [was, is] = [together[at]?.box, boxes[at]];
          if (!was || !is) return item.spot;
          return movedSpot(
            item.spot,
            mmOf(is.x - was.x),
            mmOf(was.y + was.height - is.y - is.height),
          );
        }),
      ),
    );
  };
  const sameSize = () => {
    const size = chosen[0]?.size;
    if (!size) return;
    const names = new Set(
      chosen.flatMap(({ at }) => (at.list === 'places' ? [document.places[at.index]?.field] : [])),
    );
    const prints = new Set(chosen.flatMap(({ at }) => (at.list === 'data' ? [at.index] : [])));
    change({
      ...withDocument(settings, document.id, {
        data: document.data.map((one, i) => (prints.has(i) ? { ...one, size } : one)),
      }),
      signingFields: settings.signingFields.map((one) =>
        names.has(one.name) ? { ...one, type: { ...one.type, size } } : one,
      ),
    });
  };
  return (
    <div
      role="toolbar"
      aria-label={say('documents.arrange')}
      className="sticky top-0 z-30 flex flex-wrap items-center gap-2 border border-edge bg-sheet px-3 py-1.5 shadow-page"
    >
      <p className="mr-auto">{say('documents.chosen-together', { count: chosen.length })}</p>
      {ways.map(({ how, words, least }) => (
        <Button key={how} disabled={together.length < least} onClick={() => arrange(how)}>
          {say(words)}
        </Button>
      ))}
      <Button disabled={chosen.length < 2} onClick={sameSize}>
        {say('documents.same-size')}
      </Button>
      <Button onClick={onDone}>{say('templates.close')}</Button>
    </div>
  );
}
