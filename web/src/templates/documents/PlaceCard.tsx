import { useState } from 'react';
import { say } from '../../messages/rooms';
import { Button, inputLook } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { Part } from '../bench/cards/parts';
import { withDocument, type TemplateDocument } from './document';
import { spotOnPage, type Item } from './items';
import { pagesOfText } from './pagesOfText';
import { Tied } from './Tied';
import { useFixedPages } from './useFixedPages';

/** Where a signing field stands on a fixed document: what it hangs on, copied to other pages, taken off. */
export function PlaceCard({
  bench,
  document,
  items,
  pages,
  onRemove,
}: {
  bench: Bench;
  document: TemplateDocument;
  items: Item[];
  /** How many the document has. */
  pages: number;
  onRemove: (item: Item) => void;
}) {
  const { settings, fixed, change } = bench;
  const { sizes } = useFixedPages(bench, document);
  const [typed, setTyped] = useState('');
  const [first] = items;
  if (!first) return null;
  const wanted = pagesOfText(typed, pages);
  const onPages = new Set(items.map(({ box }) => box?.page));
  const copy = () => {
    const box = first.box;
    const place = document.places[first.at.index];
    if (!box || !place || !sizes || !wanted) return;
    const copies = wanted
      .filter((page) => !onPages.has(page))
      .map((page) => ({ field: place.field, spot: spotOnPage({ ...box, page }, sizes) }));
    change(withDocument(settings, document.id, { places: [...document.places, ...copies] }));
    setTyped('');
  };
  return (
    <Part title={say('documents.on-this-document')}>
      {items.map((item) => (
        <div key={item.id} className="flex flex-col gap-1">
          <Tied bench={bench} document={document} item={item} />
          {!fixed && (
            <Button className="self-start" onClick={() => onRemove(item)}>
              {say('documents.take-off')}
            </Button>
          )}
        </div>
      ))}
      {!fixed && first.box && pages > 1 && (
        <form
          className="flex items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            copy();
          }}
        >
          <label className="flex min-w-0 flex-col gap-0.5">
            <span className="text-soft">{say('documents.copy-to-pages')}</span>
            <input
              className={inputLook}
              placeholder={say('documents.pages-example')}
              value={typed}
              aria-invalid={typed !== '' && !wanted ? true : undefined}
              onChange={(event) => setTyped(event.target.value)}
            />
          </label>
          <Button disabled={!wanted?.length} onClick={copy}>
            {say('documents.copy')}
          </Button>
        </form>
      )}
    </Part>
  );
}
