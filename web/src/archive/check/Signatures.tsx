import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button } from '../../ui/parts';
import { date, dateTime } from '../../ui/time';
import { SideBySide } from './SideBySide';

type Props = { checked: Schemas['FileChecked']; bytes: Uint8Array };

/** Each signature of a file: who, when, with whose certificate, what it covers, and what was changed after it. */
export function Signatures({ checked, bytes }: Props) {
  const [shown, setShown] = useState<string>();
  const { signatures } = checked.result;
  const covered = new Map(checked.coverage.map((one) => [one.field, one]));
  if (!signatures.length) return null;
  return (
    <section aria-label={say('check.signatures')} className="flex flex-col gap-3">
      <h2 className="text-lg">{say('check.signatures')}</h2>
      {signatures.map((one) => {
        const cover = covered.get(one.field);
        return (
          <article
            key={one.field}
            aria-label={one.by}
            className={`border-l-4 bg-sheet px-3 py-2 ${one.valid ? 'border-moss' : 'border-oxide'}`}
          >
            <p>
              <strong className="font-medium">{one.by}</strong>
              {one.at && <>, {dateTime(one.at)}</>}
            </p>
            <dl className="grid grid-cols-[9rem_minmax(0,1fr)] gap-x-4 gap-y-1 pt-1">
              <Row label={say('check.state')}>
                <span className={one.valid ? 'text-moss' : 'text-oxide'}>
                  {one.valid ? say('archive.holds') : say('archive.does-not-hold')}
                </span>
                {one.detail && <>. {one.detail}</>}
              </Row>
              <Row label={say('check.level')}>{one.level}</Row>
              {cover?.certificate && (
                <Row label={say('check.certificate')}>
                  {say('check.certificate-of', {
                    subject: cover.certificate.subject,
                    issuer: cover.certificate.issuer,
                    serial: cover.certificate.serial,
                    from: date(cover.certificate.from),
                    until: date(cover.certificate.until),
                  })}
                </Row>
              )}
              {cover && (
                <Row label={say('check.covers')}>
                  {cover.whole
                    ? say('check.all-of-the-file')
                    : say('check.the-file-as-it-was', { end: cover.end, all: bytes.length })}
                </Row>
              )}
              {cover && (
                <Row label={say('check.changed-after')}>
                  {cover.changes.length === 0 ? (
                    say('check.nothing')
                  ) : (
                    <>
                      <ul>
                        {cover.changes.map(({ what }) => (
                          <li key={what} className="text-oxide">
                            {what}
                          </li>
                        ))}
                      </ul>
                      <Button
                        className="mt-1"
                        aria-expanded={shown === one.field}
                        onClick={() => setShown(shown === one.field ? undefined : one.field)}
                      >
                        {say(
                          shown === one.field ? 'check.close-the-pages' : 'check.show-side-by-side',
                        )}
                      </Button>
                    </>
                  )}
                </Row>
              )}
            </dl>
            {cover && shown === one.field && (
              <SideBySide
                before={bytes.slice(0, cover.end)}
                after={bytes}
                page={cover.changes.find(({ page }) => page > 0)?.page ?? 0}
                by={one.by}
              />
            )}
          </article>
        );
      })}
    </section>
  );
}

function Row({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <>
      <dt className="text-soft">{label}</dt>
      <dd className="min-w-0 break-words">{children}</dd>
    </>
  );
}
