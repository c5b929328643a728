import { useEffect, useState } from 'react';
import type { Schemas } from '../api/client';
import type { Document } from './viewer';

/** Loaded beside the room that will need it; whoever opens pages hears of a failure. */
import('./viewer').catch(() => undefined);

/** Pages that can be opened, with what is known of them. */
export type Sheet = {
  url: string;
  /** The PDF itself where it is at hand; its address then is only its name. */
  data?: Uint8Array;
  pages: Schemas['Pages'];
  /** What stands where, as the merge has said. */
  printed: Schemas['Printed'][];
};

export type Opened = { sheet: Sheet; document?: Document | undefined; failed: boolean };

/**
 * Opens pages with the viewer, which is loaded only then. The pages shown before stay until the new ones can take their place,
 * with all that belongs to them.
 */
export function useOpened(wanted: Sheet): Opened {
  const [opened, setOpened] = useState<Opened>({ sheet: wanted, failed: false });
  const { url, data } = wanted;
  useEffect(() => {
    let ended = false;
    let close: (() => void) | undefined;
    import('./viewer')
      .then(({ open }) => {
        if (ended) return;
        const task = open(data ?? url);
        close = () => void task.destroy();
        return task.promise.then((document) => {
          if (!ended)
            setOpened((now) => ({ sheet: { ...now.sheet, url }, document, failed: false }));
        });
      })
      .catch(() => {
        if (!ended) setOpened((now) => ({ ...now, failed: true }));
      });
    return () => {
      ended = true;
      // what was drawn stays until the next pages are there; by then nobody needs this any more
      setTimeout(() => close?.(), 3000);
    };
  }, [url, data]);
  const current = opened.sheet.url === url || !opened.document;
  if (current && opened.sheet !== wanted) setOpened({ ...opened, sheet: wanted });
  return opened;
}
