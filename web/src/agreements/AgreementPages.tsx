import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../api/client';
import { AnnotatedPages } from '../page/AnnotatedPages';
import { Trouble } from '../ui/parts';

type Props = { detail: Schemas['AgreementDetail']; document: Schemas['DocumentView'] };

/** The pages of one document, with the agreement's data beside the words that they became. */
export function AgreementPages({ detail, document }: Props) {
  const { number, changedAt } = detail.row;
  const path = { number, document: document.id };
  const printed = useQuery({
    queryKey: ['printed', number, document.id, changedAt],
    queryFn: () =>
      answer(
        api.GET('/api/v1/agreements/{number}/documents/{document}/printed', { params: { path } }),
      ),
    staleTime: Infinity,
  });
  return (
    <>
      <Trouble error={printed.error} />
      <AnnotatedPages
        url={`/api/v1/agreements/${number}/documents/${document.id}.pdf?at=${changedAt}`}
        pages={document.pages}
        printed={(printed.data ?? []).map(asOfList)}
        data={detail.data.map((one) => ({ key: one.name, label: one.label }))}
        actors={detail.people}
      />
    </>
  );
}

/** The data beside the page name a list as a whole, so that what its items printed is the list's. */
function asOfList(one: Schemas['Printed']): Schemas['Printed'] {
  return one.list ? { ...one, name: one.list, list: '' } : one;
}
