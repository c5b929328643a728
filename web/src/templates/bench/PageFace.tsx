import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { useSay } from '../../messages/useSay';
import { AnnotatedPages } from '../../page/AnnotatedPages';
import type { Chosen } from '../../page/WordsLayer';
import { focusWords } from '../../page/WordsLayer';
import { ActorNote } from '../../page/ActorNote';
import { calledIn } from '../../signingFields/kinds';
import { Button, Trouble, Waiting } from '../../ui/parts';
import { placesOf, type Thing } from '../../page/thing';
import type { Sheet } from '../../page/useOpened';
import { ActsBar } from './ActsBar';
import { partsOf, type Bench } from './bench';
import { NotOnPage, offPage } from './NotOnPage';
import { PlaceHere } from './PlaceHere';
import { Route } from './Route';
import { SameWords, type Further } from './SameWords';
import { ThingCard } from './ThingCard';
import { actingThings, dataThings } from './things';
import { usePlacing } from './usePlacing';

export type Opened = { key: string | undefined; party: string | undefined };

/** The page with its margins: everything about the wording is done here. */
export function PageFace({
  bench,
  wording,
  shown,
  opened,
  onOpened,
}: {
  bench: Bench;
  /** Whether the document that is shown is made of a Word file, in which it can be changed. */
  wording: boolean;
  /** The names, or a specimen by its position. */
  shown: string;
  opened: Opened;
  onOpened: (opened: Opened) => void;
}) {
  const { detail, settings, fixed, document } = bench;
  const [place, setPlace] = useState<number | undefined>(0);
  const [chosen, setChosen] = useState<Chosen>();
  const [further, setFurther] = useState<Further>();
  const [offWanted, setOffWanted] = useState(false);
  const stillThere = useRef<Chosen>(undefined);
  useEffect(() => {
    stillThere.current = chosen;
  }, [chosen]);
  /** Whether the bar, once it is there, is to have the focus. */
  const wanted = useRef(false);
  const input = useRef<HTMLInputElement>(null);
  const preview = usePreview(detail, document, shown);
  const words = useSay();
  const sheet = preview.sheet;
  const left = useCallback(
    (of: Sheet) => dataThings({ ...partsOf(detail, document), content: settings }, of),
    [detail, document, settings],
  );
  const right = useCallback(
    (of: Sheet): Thing[] =>
      actingThings(of, settings.signingFields).map(({ party, ...thing }) => {
        const at = settings.parties.findIndex((one) => one.key === party);
        const label = settings.parties[at]?.label ?? say('templates.nobody', { party });
        const field = settings.signingFields.find(({ name }) => thing.key.endsWith(`.${name}`));
        const called = field ? calledIn(words, field) : thing.label;
        return {
          ...thing,
          label: `${label}, ${called}`,
          body: <ActorNote ordinal={at + 1} label={label} called={called} />,
        };
      }),
    [settings, words],
  );
  const open = (key: string | undefined, at?: number) => {
    setPlace(at);
    onOpened({ key, party: key === undefined ? opened.party : undefined });
  };
  const openPlace = useCallback(
    (key: string) => {
      setPlace(undefined);
      onOpened({ key, party: undefined });
    },
    [onOpened],
  );
  const { placing, carried, setCarried, move } = usePlacing(bench, openPlace);
  const settling = !fixed && wording && shown === 'names' && preview.of === 'names';
  const lines = sheet ? [...left(sheet), ...right(sheet)] : [];
  const off = offPage(bench, lines);
  const offOpen = off.some(({ key }) => key === opened.key);
  const offShown = offWanted || offOpen;
  const card = (key: string) => {
    const thing = lines.find((one) => one.key === key);
    const count = thing ? placesOf(thing).length : 0;
    return (
      <ThingCard
        bench={bench}
        thing={key}
        walk={{ count, at: place ?? 0, onGo: (at) => open(key, at) }}
        onOpen={(next) => open(next, next === undefined ? undefined : 0)}
        onCarry={
          settling
            ? (taken) => {
                setCarried(taken);
                open(undefined);
              }
            : undefined
        }
      />
    );
  };
  if (!preview.readable) return null;
  return (
    <>
      <Trouble error={preview.error} />
      {further && <SameWords bench={bench} of={further} onDone={() => setFurther(undefined)} />}
      <Trouble error={carried ? undefined : move.error} />
      {carried && (
        <div
          role="status"
          className="sticky top-0 z-30 flex items-center gap-3 border border-edge bg-sheet px-3 py-1.5 shadow-page"
        >
          <p className="mr-auto">{say('templates.is-being-moved', { called: carried.called })}</p>
          <Button onClick={() => setCarried(undefined)}>{say('templates.leave-it')}</Button>
        </div>
      )}
      {!sheet && !preview.error && <Waiting what={say('templates.making-the-pages')} />}
      {sheet && (
        <AnnotatedPages
          sheet={sheet}
          left={left}
          right={right}
          actors={detail.content.parties.map((one) => ({ party: one.key, label: one.label }))}
          leftHead={{
            open: offShown,
            node: (
              <NotOnPage
                bench={bench}
                off={off}
                shown={offShown}
                open={opened.key}
                onShown={(next) => {
                  setOffWanted(next);
                  if (!next && offOpen) open(undefined);
                }}
                onOpen={(key) => open(key)}
                card={card}
              />
            ),
          }}
          rightHead={{
            open: opened.party !== undefined,
            node: (
              <Route
                bench={bench}
                open={opened.party}
                onOpen={(party) => onOpened({ key: undefined, party })}
              />
            ),
          }}
          opening={{ key: opened.key, place, onOpen: open, card }}
          placing={settling ? { ...placing, lines: preview.lines } : undefined}
          choosing={
            settling
              ? {
                  chosen,
                  onChosen: (next) => {
                    setChosen(next);
                    if (next?.words.text) setFurther(undefined);
                  },
                  onAct: () => {
                    wanted.current = input.current === null;
                    input.current?.focus();
                  },
                  acts:
                    chosen && carried ? (
                      <PlaceHere
                        carried={carried}
                        wanted={wanted}
                        busy={move.isPending}
                        error={move.error}
                        onPlace={() => {
                          const { name, occurrence } = carried;
                          move.mutate(
                            { name, occurrence, to: chosen.words },
                            {
                              onSuccess: () => {
                                setChosen(undefined);
                                focusWords(chosen.page);
                              },
                            },
                          );
                        }}
                        onLeave={() => {
                          setCarried(undefined);
                          focusWords(chosen.page);
                        }}
                      />
                    ) : (
                      chosen && (
                        <ActsBar
                          key={`${chosen.page} ${chosen.words.before} ${chosen.words.text}`}
                          bench={bench}
                          words={chosen.words}
                          input={input}
                          wanted={wanted}
                          onDone={(done) => {
                            setFurther(done);
                            // somebody may have chosen other words while this was being done
                            setChosen((now) => (now === chosen ? undefined : now));
                            if (stillThere.current === chosen) focusWords(chosen.page);
                          }}
                          onLeave={() => {
                            setChosen(undefined);
                            focusWords(chosen.page);
                          }}
                        />
                      )
                    ),
                }
              : undefined
          }
        />
      )}
    </>
  );
}

/** The pages as the template stands, with names or with a specimen's values; those before stay while new ones are made. */
function usePreview(detail: Bench['detail'], document: string, shown: string) {
  const { id, version, revision } = detail;
  const readable = !detail.diagnostics.some((one) => one.blocks);
  const specimen = shown === 'names' ? -1 : Number(shown);
  const query = { document };
  const preview = useQuery({
    queryKey: ['preview', id, document, version, revision, shown],
    queryFn: async () => {
      const made = await (specimen < 0
        ? answer(api.GET('/api/v1/templates/{id}/preview', { params: { path: { id }, query } }))
        : answer(
            api.GET('/api/v1/templates/{id}/specimens/{position}/pages', {
              params: { path: { id, position: specimen }, query },
            }),
          ));
      const stamp = `document=${document}&revision=${version}.${revision}`;
      const url =
        specimen < 0
          ? `/api/v1/templates/${id}/preview.pdf?${stamp}`
          : `/api/v1/templates/${id}/specimens/${specimen}/pages.pdf?${stamp}`;
      return { url, shown, ...made };
    },
    enabled: readable,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  const sheet = useMemo((): Sheet | undefined => preview.data, [preview.data]);
  const lines = preview.data && 'lines' in preview.data ? preview.data.lines : [];
  return { sheet, lines, of: preview.data?.shown, readable, error: preview.error };
}
