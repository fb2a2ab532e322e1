/** While somebody learns: what today is good for, and the one tap that turns all of it off. */
import { useLocation } from 'react-router';
import { styled } from 'styled-components';
import type { LessonView } from '../learning.server.ts';
import { media } from '../../theme/tokens.ts';
import { TextButton } from '../../ui/button.tsx';
import { PostForm } from '../../ui/post-form.tsx';

const Strip = styled.aside`
  display: flex;
  gap: 0.2rem 1.4rem;
  align-items: baseline;
  flex-wrap: wrap;
  margin: 0.3rem 1.75rem 0.6rem;
  padding: 0.5rem 0.9rem;
  background: var(--woad-ground);
  border: 1px dashed var(--woad);
  border-radius: 3px 14px 3px 14px;
  details {
    flex: 1 1 24rem;
  }
  summary {
    cursor: pointer;
    min-height: 2rem;
  }
  summary b {
    color: var(--woad);
  }
  p {
    max-width: 110ch;
    margin: 0.2rem 0 0.4rem;
  }
  > span {
    flex: 1 1 14rem;
  }
  form {
    display: inline-flex;
    gap: 1rem;
    flex-wrap: wrap;
  }
  ${media.phone} {
    margin: 0.3rem 1.1rem 0.6rem;
  }
  ${media.print} {
    display: none;
  }
`;
export function LearningStrip({ lesson }: { lesson: LessonView | null }) {
  const { pathname } = useLocation();
  return (
    <Strip aria-label="Learning as you go">
      {lesson ? (
        <details open>
          <summary>
            One thing for today: <b>{lesson.title}</b>
          </summary>
          <p>
            {lesson.text} In your basket: {lesson.about.join(', ')}.
          </p>
          <PostForm action="/practice">
            <input type="hidden" name="basket" value={lesson.basket} />
            <TextButton type="submit">Try it on a practice basket</TextButton>
          </PostForm>
        </details>
      ) : (
        <span>Learning as you go: underlined words explain themselves.</span>
      )}
      <PostForm action="/practice">
        <input type="hidden" name="back" value={pathname} />
        <TextButton type="submit" name="intent" value="learning-off">
          Turn it off
        </TextButton>
      </PostForm>
    </Strip>
  );
}
