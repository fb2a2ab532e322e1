import type { FormReply } from './read.ts';

/** All that is wrong with a form, in one line; null = nothing. */
export const problemsOf = (reply: FormReply | null): string | null =>
  reply &&
  Object.values(reply.error ?? {})
    .flatMap((e) => e ?? [])
    .join(' ');
