/** A passkey for this account: kept by the device, opened by its finger, face or code. */
import { useState } from 'react';
import { useRevalidator } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Quiet } from '../../ui/page.tsx';
import { usePasskeys } from './passkey-sign-in.tsx';

export function PasskeyAdd({ name }: { name: string }) {
  const able = usePasskeys();
  const { revalidate } = useRevalidator();
  const [problem, setProblem] = useState<string | null>(null);
  if (!able) return <Quiet>This browser makes no passkeys; a password is all it needs.</Quiet>;
  const add = async (): Promise<void> => {
    const { passkeys } = await import('../passkeys.ts');
    setProblem(await passkeys.add(name));
    await revalidate();
  };
  return (
    <div>
      <Button type="button" $quiet onPress={() => void add()}>
        Add a passkey here
      </Button>
      {problem && (
        <Notice severity="caution" title="Not added" live>
          {problem}
        </Notice>
      )}
    </div>
  );
}
