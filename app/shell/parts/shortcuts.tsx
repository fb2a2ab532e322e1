/** The `?` sheet: keys that lead to the stages. Typing in a field never triggers them. */
import { useEffect, useState } from 'react';
import { Dialog, DialogTrigger, Heading, Modal, ModalOverlay } from 'react-aria-components';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import { media } from '../../theme/tokens.ts';
import { Button, TextButton } from '../../ui/button.tsx';

// prettier-ignore
const keys: readonly { key: string; words: string; to: string }[] = [
  { key: '0', words: 'Today: the hours of the day', to: '/today' },
  { key: '1', words: 'Gather: the basket', to: '/basket' }, { key: '2', words: 'Sort: the loads', to: '/sort' }, { key: '3', words: 'Wash: what is running', to: '/wash' },
  { key: '4', words: 'Dry: what hangs', to: '/dry' }, { key: '5', words: 'Away: iron and cupboard', to: '/away' }, { key: '6', words: 'Log: what was washed', to: '/log' },
  { key: '7', words: 'Household', to: '/household' },
];

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  background: rgba(20, 24, 40, 0.45);
  display: grid;
  place-items: center;
  z-index: 20;
  padding: 1rem;
`;
const Sheet = styled(Dialog)`
  background: var(--paper);
  padding: 1.4rem 1.6rem;
  border-radius: 4px 18px 4px 18px;
  min-width: min(24rem, 90vw);
  outline: none;
  display: grid;
  gap: 1rem;
  dl {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 0.5rem 1rem;
  }
  dt {
    font-weight: 700;
    border: 1px solid var(--hairline);
    border-radius: 5px;
    min-width: 2rem;
    text-align: center;
  }
`;

/** A phone has no keys. */
const KeysButton = styled(TextButton)`
  ${media.phone} {
    display: none;
  }
`;

export function ShortcutSheet() {
  const [open, setOpen] = useState(false);
  const navigate = useNavigate();
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement | null;
      if (event.ctrlKey || event.metaKey || event.altKey || target?.closest('input, textarea, select, [role="dialog"]'))
        return;
      if (event.key === '?') setOpen(true);
      const shortcut = keys.find((k) => k.key === event.key);
      if (shortcut) void navigate(shortcut.to);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [navigate]);
  return (
    <DialogTrigger isOpen={open} onOpenChange={setOpen}>
      <KeysButton>Keys ?</KeysButton>
      <Overlay isDismissable>
        <Modal>
          <Sheet>
            <Heading slot="title">Keys</Heading>
            <dl>
              {keys.map((k) => [<dt key={k.key}>{k.key}</dt>, <dd key={k.words}>{k.words}</dd>])}
              <dt>?</dt>
              <dd>This sheet</dd>
            </dl>
            <Button slot="close" $quiet>
              Close
            </Button>
          </Sheet>
        </Modal>
      </Overlay>
    </DialogTrigger>
  );
}
