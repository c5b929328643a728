import { answer, api, type Schemas } from '../../api/client';

export type LiveDocument = Schemas['LiveDocument'];
export type LiveText = Schemas['LiveText'];

/** What is filled: a template's form anew, or a request's. */
export type LiveOf = { template: string } | { request: string };

/** Answers as they are being typed. */
export type SoFar = Schemas['AnswersSoFar'];

export const livePages = (of: LiveOf, body: SoFar): Promise<LiveDocument> =>
  'template' in of
    ? answer(
        api.POST('/api/v1/templates/{id}/form/pages', {
          params: { path: { id: of.template } },
          body,
        }),
      )
    : answer(
        api.POST('/api/v1/requests/{number}/pages', {
          params: { path: { number: of.request } },
          body,
        }),
      );

export const liveText = (of: LiveOf, body: SoFar): Promise<LiveText> =>
  'template' in of
    ? answer(
        api.POST('/api/v1/templates/{id}/form/text', {
          params: { path: { id: of.template } },
          body,
        }),
      )
    : answer(
        api.POST('/api/v1/requests/{number}/text', {
          params: { path: { number: of.request } },
          body,
        }),
      );
