import { answer, api, type Schemas } from '../../api/client';

export type LiveMade = Schemas['LiveMade'];
export type LiveMarks = Schemas['LiveMarks'];
export type LiveText = Schemas['LiveText'];

/** What is filled: a template's form anew, or a request's. */
export type LiveOf = { template: string } | { request: string };

/** Answers as they are being typed. */
export type SoFar = Schemas['AnswersSoFar'];

export const livePages = (of: LiveOf, body: SoFar): Promise<LiveMade> =>
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

export type FormState = Schemas['FormState'];

/** What the form asks for with these answers. */
export const formState = (of: LiveOf, body: SoFar): Promise<FormState> =>
  'template' in of
    ? answer(
        api.POST('/api/v1/templates/{id}/form/state', {
          params: { path: { id: of.template } },
          body,
        }),
      )
    : answer(
        api.POST('/api/v1/requests/{number}/form-state', {
          params: { path: { number: of.request } },
          body,
        }),
      );

export const liveMarks = (key: string): Promise<LiveMarks> =>
  answer(api.GET('/api/v1/form-pages/{key}', { params: { path: { key } } }));
