import { say } from '../messages/rooms';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { PagesView } from '../page/PagesView';
import { Waiting } from '../ui/parts';

type Proof = Schemas['Proof'];

/** What the proof found: passages nobody has seen, risks of layout, and all pages. */
export function ProofView({ id, proof }: { id: string; proof: Proof }) {
  const url = `/api/v1/templates/${id}/proof/${proof.file}/pages.pdf`;
  const unseen = proof.passages.filter((one) => !one.reachedBy.length);
  const risks = proof.specimens.flatMap((one) =>
    one.risks.map((risk) => ({ ...risk, specimen: one.name, at: one.firstPage + risk.page - 1 })),
  );
  const failed = proof.specimens.filter((one) => one.fault);
  const pages = Math.max(0, ...proof.specimens.map((one) => one.lastPage));
  return (
    <section aria-label={say('templates.proof')} className="flex flex-col gap-4 pt-5">
      <h2 className="text-xl">
        {say('templates.proof-specimens-pages', { count: proof.specimens.length, pages })}
      </h2>
      <div className="grid gap-4 lg:grid-cols-2">
        <div className="flex flex-col gap-3 border-l-4 border-slate bg-sheet px-4 py-3">
          <h3 className="text-lg">{say('templates.passages')}</h3>
          {!proof.passages.length && <p>{say('templates.no-passage-depends-on-anything')}</p>}
          {proof.passages.length > 0 && !unseen.length && (
            <p>{say('templates.each-of-the-passages-was', { count: proof.passages.length })}</p>
          )}
          {unseen.map(({ passage }) => (
            <p key={passage.number} className="text-clay">
              {say('templates.no-specimen-has-printed-the')}
              {passage.inverted ? say('templates.unless') : say('templates.for')}{' '}
              <span className="font-mono">{passage.name}</span>:{' '}
              <q className="font-serif">{passage.begins || passage.place}</q>
            </p>
          ))}
          {proof.unreached.map((label) => (
            <p key={label} className="text-clay">
              {say('templates.no-data-was-found-that')}
              <em>{label}</em>
              {say('templates.the-condition-may-always-give')}
            </p>
          ))}
          {failed.map((one) => (
            <p key={one.name} className="text-oxide">
              {say('templates.could-not-be-printed', { name: one.name, fault: one.fault })}
            </p>
          ))}
        </div>
        <div className="flex flex-col gap-3 border-l-4 border-slate bg-sheet px-4 py-3">
          <h3 className="text-lg">{say('templates.layout')}</h3>
          {!risks.length && <p>{say('templates.no-risk-was-found-on')}</p>}
          <ul className="flex flex-col gap-2">
            {grouped(risks).map(({ first, more }, i) => (
              <li key={i}>
                <span className="text-soft">
                  {say('templates.page-of-the-proof', { specimen: first.specimen, at: first.at })}
                </span>{' '}
                <strong className="font-medium">{first.message}</strong> {first.cure}
                {more.length > 0 && (
                  <span className="text-soft">
                    {say('templates.more-of-the-kind-on', { count: more.length })}
                    {more.map((one) => one.at).join(', ')}.
                  </span>
                )}
              </li>
            ))}
          </ul>
        </div>
      </div>
      {proof.file && (
        <>
          <a href={url}>{say('templates.open-the-proof-as-pdf')}</a>
          <ProofPages url={url} />
        </>
      )}
    </section>
  );
}

type Risk = Proof['specimens'][number]['risks'][number] & { specimen: string; at: number };

/** Risks of one kind in one specimen are told once. */
function grouped(risks: Risk[]): { first: Risk; more: Risk[] }[] {
  const groups = new Map<string, { first: Risk; more: Risk[] }>();
  for (const risk of risks) {
    const known = groups.get(`${risk.specimen} ${risk.kind}`);
    if (known) known.more.push(risk);
    else groups.set(`${risk.specimen} ${risk.kind}`, { first: risk, more: [] });
  }
  return [...groups.values()];
}

function ProofPages({ url }: { url: string }) {
  const sizes = useQuery({
    queryKey: ['pages', url],
    queryFn: async () => {
      const { open } = await import('../page/viewer');
      const document = await open(url).promise;
      const all = await Promise.all(
        Array.from({ length: document.numPages }, async (_, i) => {
          const { width, height } = (await document.getPage(i + 1)).getViewport({ scale: 1 });
          return { width, height };
        }),
      );
      await document.loadingTask.destroy();
      return all;
    },
    staleTime: Infinity,
  });
  if (!sizes.data) return <Waiting what={say('templates.opening-the-pages')} />;
  return (
    <div className="mx-auto w-full max-w-[44rem]">
      <PagesView url={url} pages={{ sizes: sizes.data, fields: [] }} />
    </div>
  );
}
