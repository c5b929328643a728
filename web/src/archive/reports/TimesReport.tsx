import { Link } from 'react-router';
import { say } from '../../messages/rooms';
import { Empty } from '../../ui/parts';
import { Unshown } from '../../ui/Unshown';
import { Figures, type Figure } from './Figures';
import { Picture } from './Picture';
import { useTimes, type ReportAsked, type SpentRow } from './queries';
import { phaseWords, spentWords } from './reportWords';

const many: Figure<SpentRow> = {
  title: say('reports.agreements'),
  number: true,
  cell: (row) => row.many,
};

const spent: Figure<SpentRow>[] = [
  { title: say('reports.median'), number: true, cell: ({ median }) => spentWords(median) },
  { title: say('reports.ninth'), number: true, cell: ({ ninth }) => spentWords(ninth) },
  { title: say('reports.longest'), number: true, cell: ({ longest }) => spentWords(longest) },
];

/** Where the time of completed agreements went. */
export function TimesReport({
  asked,
  linkTo,
}: {
  asked: ReportAsked;
  linkTo: (template: string) => string;
}) {
  const times = useTimes(asked);
  if (!times.data) return <Unshown query={times} waiting={say('reports.adding-up')} />;
  if (times.data.length === 0) return <Empty>{say('reports.none-completed')}</Empty>;
  return (
    <>
      <Picture report="TIMES" asked={asked} />
      {asked.template ? (
        <Figures
          label={say('reports.times')}
          rows={times.data}
          keyOf={({ phase, party }) => phase + party}
          columns={[{ title: say('reports.part-of-the-way'), cell: phaseWords }, many, ...spent]}
        />
      ) : (
        <ByTemplate rows={times.data} linkTo={linkTo} />
      )}
    </>
  );
}

function ByTemplate({ rows, linkTo }: { rows: SpentRow[]; linkTo: (template: string) => string }) {
  const half = (phase: SpentRow['phase']) => (whole: SpentRow) => {
    const found = rows.find((one) => one.templateId === whole.templateId && one.phase === phase);
    return found ? spentWords(found.median) : '';
  };
  return (
    <>
      <Figures
        label={say('reports.times')}
        rows={rows.filter(({ phase }) => phase === 'WHOLE')}
        keyOf={({ templateId }) => templateId}
        columns={[
          {
            title: say('archive.template'),
            cell: ({ templateId, template }) => <Link to={linkTo(templateId)}>{template}</Link>,
          },
          many,
          { title: say('reports.until-made'), number: true, cell: half('ASKED') },
          { title: say('reports.until-sent'), number: true, cell: half('PREPARED') },
          { title: say('reports.out-for'), number: true, cell: half('OUT') },
          ...spent,
        ]}
      />
      <p className="pt-2 text-soft">{say('reports.medians')}</p>
    </>
  );
}
