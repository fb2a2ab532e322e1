/** Said where a page would be needed without a connection and this browser keeps none. */
import { Quiet } from './page.tsx';

export function NotKept({ kept }: { kept: boolean }) {
  if (kept) return null;
  return (
    <Quiet as="p">
      This browser keeps no pages here: stay within reach of the network. A certificate that the device trusts changes
      that.
    </Quiet>
  );
}
