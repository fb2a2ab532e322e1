import { notFound } from '../server/request.server.ts';

export const loader = () => {
  throw notFound('There is no page at this address.');
};
export const action = loader;

/** Never drawn: the loader always throws. Without a component the router would answer bare text in place of the error page. */
export default function NotFound() {
  return null;
}
