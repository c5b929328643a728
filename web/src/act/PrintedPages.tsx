import { useState } from 'react';
import { useSay } from '../messages/useSay';
import { PagesView } from '../page/PagesView';
import { Button } from '../ui/parts';
import type { Filling } from './filling';
import { OwnFields } from './OwnFields';
import type { SigningPage } from './useAct';

/** A document page by page, as it is printed and signed. */
export default function PrintedPages({
  page,
  document,
  token,
  filling,
}: {
  page: SigningPage;
  document: SigningPage['documents'][number];
  token: string;
  filling: Filling | undefined;
}) {
  const words = useSay();
  const [large, setLarge] = useState(false);
  return (
    <>
      <Button className="mb-3 min-h-11 lg:hidden" onClick={() => setLarge(!large)}>
        {words.say(large ? 'page.fit' : 'page.larger')}
      </Button>
      <div
        className="overflow-x-auto"
        role="group"
        aria-label={words.say('page.pages')}
        tabIndex={large ? 0 : undefined}
      >
        <div className={large ? 'w-[46rem]' : ''}>
          <PagesView
            url={`/api/v1/signing/${token}/documents/${document.id}.pdf`}
            pages={document.pages}
            over={(number) =>
              filling && (
                <OwnFields page={page} pages={document.pages} number={number} filling={filling} />
              )
            }
          />
        </div>
      </div>
    </>
  );
}
