import type { Schemas } from '../../api/client';

/** Where a form is filled that renews an agreement, beginning with its answers. */
export const renewalOf = (number: string, { template, request }: Schemas['AgreementDates']) =>
  `/intake/new/${template}?${new URLSearchParams({ from: request, renews: number }).toString()}`;

export const failed: string[] = ['DECLINED', 'WITHDRAWN', 'EXPIRED'];

/** Whether a renewal may still come to something. */
export const isUnderWay = ({ state }: Schemas['RenewalRequest']) =>
  state === null || !['COMPLETED', ...failed].includes(state);
