/** Above a form that came back: what is wrong with it. What was typed stands below. */
import { problemsOf } from '../forms/problems.ts';
import type { FormReply } from '../forms/read.ts';
import { Notice } from './notice.tsx';

export function NotStored({ reply }: { reply: FormReply | null }) {
  if (!reply) return null;
  return (
    <Notice severity="caution" title="Not stored yet" live>
      {problemsOf(reply)}
    </Notice>
  );
}
