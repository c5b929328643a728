import { useMutation } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, Trouble } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { withDocument, type TemplateDocument } from './document';
import { spotOnPage, withItems, type Item } from './items';
import { useFixedPages } from './useFixedPages';

/** What a place hangs on, and the other way to keep it. */
export function Tied({
  bench,
  document,
  item,
}: {
  bench: Bench;
  document: TemplateDocument;
  item: Item;
}) {
  const { detail, settings, fixed, change } = bench;
  const { sizes } = useFixedPages(bench, document);
  const { box, spot } = item;
  const set = (next: Item['spot']) =>
    change(
      withDocument(
        settings,
        document.id,
        withItems(document, [item], () => next),
      ),
    );
  const tie = useMutation({
    mutationFn: () => {
      if (!box) throw new Error(say('documents.no-place-yet'));
      return answer(
        api.POST('/api/v1/templates/{id}/documents/{document}/tie', {
          params: { path: { id: detail.id, document: document.id } },
          body: box,
        }),
      );
    },
    onSuccess: (found) => set(found.spot),
  });
  return (
    <div className="flex flex-col gap-1">
      {spot.kind === 'BY_WORDS' && (
        <>
          <p className={box ? '' : 'text-oxide'}>
            {box
              ? say('documents.hangs-on', { words: spot.words })
              : say('documents.words-not-found', { words: spot.words })}
          </p>
          {!fixed && box && sizes && (
            <Button className="self-start" onClick={() => set(spotOnPage(box, sizes))}>
              {say('documents.stay-on-page')}
            </Button>
          )}
        </>
      )}
      {spot.kind === 'ON_PAGE' && (
        <>
          <p>{say('documents.stands-at', { page: spot.page, left: spot.left, top: spot.top })}</p>
          {!fixed && (
            <Button className="self-start" disabled={tie.isPending} onClick={() => tie.mutate()}>
              {say('documents.hang-on-words')}
            </Button>
          )}
          {tie.data?.spot.kind === 'ON_PAGE' && (
            <p role="status">{say('documents.no-words-near')}</p>
          )}
        </>
      )}
      {spot.kind === 'OPEN' && <p>{say('documents.no-place-yet')}</p>}
      <Trouble error={tie.error} />
    </div>
  );
}
