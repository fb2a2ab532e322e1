import type { Route } from './+types/certificate-download';
import { notFound, withHousehold } from '../server/request.server.ts';
import { authorityCertificate, shareOf } from './share.server.ts';

/** The certificate by which a phone knows this machine again. */
export const loader = ({ context }: Route.LoaderArgs) =>
  withHousehold(context, () => {
    const share = shareOf();
    if (!share) throw notFound('This machine is not shared just now.');
    return Promise.resolve(
      new Response(authorityCertificate(share), {
        headers: {
          'Content-Type': 'application/x-x509-ca-cert',
          'Content-Disposition': 'attachment; filename="neat-fold-at-home.crt"',
        },
      }),
    );
  });
