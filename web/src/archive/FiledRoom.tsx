import { say } from '../messages/rooms';
import { useMutation } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { AttachedFiles } from '../agreements/Files';
import { DocumentsOfAgreement } from '../agreements/DocumentsOfAgreement';
import { SealWord } from '../agreements/SealWord';
import { PaperNote } from '../agreements/paper/PaperNote';
import { Trail } from '../agreements/Trail';
import { answer, api } from '../api/client';
import { Blind } from '../blind/Blind';
import { useAgreement } from '../office/queries';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import { dateTime } from '../ui/time';
import { CheckFile } from './check/CheckFile';
import { CopiesBack } from './CopiesBack';
import { CheckResult } from './check/CheckResult';
import { DatesOfAgreement } from './dates/DatesOfAgreement';
import { RetentionOfAgreement } from './retention/RetentionOfAgreement';
import { Covered } from './roots/Covered';
import { Stamped } from './stamps/Stamped';

/** A filed agreement: read, downloaded, checked. */
export default function FiledRoom() {
  const { number = '' } = useParams();
  const agreement = useAgreement(number);
  const check = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/v1/archive/{number}/verification', { params: { path: { number } } })),
  });
  if (!agreement.data)
    return <Unshown query={agreement} waiting={say('archive.opening-the-agreement')} />;
  const detail = agreement.data;
  return (
    <>
      <RoomTitle title={detail.row.title}>
        <Blind slats={detail.row.route} sealed={detail.row.state === 'COMPLETED'} />
        <span className="text-soft">
          {say('archive.completed', { number, dateTime: dateTime(detail.row.since) })}
        </span>
      </RoomTitle>
      <PaperNote detail={detail} fixed />
      <div className="grid grid-cols-[minmax(0,1fr)_19rem] gap-6">
        <div>
          <DocumentsOfAgreement detail={detail} />
        </div>
        <aside className="flex flex-col gap-6">
          <section aria-label={say('archive.files')}>
            <h2 className="pb-1 text-lg">{say('archive.files')}</h2>
            <ul className="flex flex-col gap-1">
              {detail.documents.map((document) => (
                <li key={document.id}>
                  <a href={`/api/v1/agreements/${number}/documents/${document.id}.pdf`}>
                    {detail.documents.length === 1
                      ? say('archive.signed-agreement')
                      : document.title}
                    {say('archive.pdf')}
                  </a>
                  {document.hasWord && (
                    <div className="pt-2 pb-1">
                      <SealWord number={number} document={document} />
                    </div>
                  )}
                </li>
              ))}
              {detail.hasRecord && (
                <li>
                  <a href={`/api/v1/agreements/${number}/record.pdf`}>
                    {say('archive.signing-record-pdf')}
                  </a>
                </li>
              )}
              {detail.hasRecord && (
                <li>
                  <a href={`/api/v1/archive/${number}/evidence.asice`}>
                    {say('archive.all-evidence')}
                  </a>
                </li>
              )}
            </ul>
            <AttachedFiles number={number} attached={detail.attached} />
            {detail.documents.length > 1 && (
              <p className="pt-2">
                <a href={`/api/v1/agreements/${number}/documents.zip`}>
                  {say('agreements.all-in-one-file')}
                </a>
              </p>
            )}
          </section>
          <DatesOfAgreement number={number} />
          <RetentionOfAgreement number={number} />
          <CopiesBack number={number} />
          <section aria-label={say('archive.check')} className="flex flex-col gap-3">
            <h2 className="text-lg">{say('archive.is-it-intact')}</h2>
            <Button
              look="main"
              className="self-start"
              disabled={check.isPending}
              onClick={() => check.mutate()}
            >
              {check.isPending ? say('archive.checking') : say('archive.check-all-files-now')}
            </Button>
            <Trouble error={check.error} />
            {check.data && (
              <>
                {check.data.findings.length > 0 && (
                  <div role="status" className="border-l-4 border-oxide bg-sheet px-3 py-2">
                    <p className="text-oxide">{say('archive.what-is-kept-does-not')}</p>
                    {check.data.findings.map((finding) => (
                      <p key={finding}>{finding}</p>
                    ))}
                  </div>
                )}
                {check.data.documents.map((document) => (
                  <CheckResult
                    key={document.id}
                    title={
                      check.data.documents.length === 1
                        ? say('archive.the-agreement')
                        : document.title
                    }
                    result={document.result}
                  />
                ))}
                <CheckResult title={say('archive.the-signing-record')} result={check.data.record} />
                <Covered number={number} cover={check.data.cover} />
                <Stamped number={number} stamped={check.data.stamped} />
              </>
            )}
            <CheckFile number={number} />
          </section>
          <Trail detail={detail} />
        </aside>
      </div>
    </>
  );
}
