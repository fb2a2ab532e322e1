/** Signing in with a passkey, where the browser knows how. */
import { useState, useSyncExternalStore } from 'react';
import { Button } from '../../ui/button.tsx';
import { Notice } from '../../ui/notice.tsx';

const never = () => () => {};
export const usePasskeys = (): boolean =>
  useSyncExternalStore(
    never,
    () => 'PublicKeyCredential' in window && window.isSecureContext,
    () => false,
  );

export function PasskeySignIn({ to }: { to: string }) {
  const able = usePasskeys();
  const [problem, setProblem] = useState<string | null>(null);
  if (!able) return null;
  const signIn = async (): Promise<void> => {
    const { passkeys } = await import('../passkeys.ts');
    const refused = await passkeys.signIn();
    setProblem(refused);
    if (refused === null) window.location.assign(to);
  };
  return (
    <>
      <Button type="button" $quiet onPress={() => void signIn()}>
        Use a passkey
      </Button>
      {problem && (
        <Notice severity="caution" title="Not signed in" live>
          {problem}
        </Notice>
      )}
    </>
  );
}
