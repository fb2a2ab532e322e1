/** The way in to every page: who asks is known, and whether they may. */
import { redirect, type MiddlewareFunction } from 'react-router';
import { admission } from './admit.ts';
import { logContext, visitorContext } from './context.ts';
import { hosted } from './mode.server.ts';
import { notFound } from './request.server.ts';

export const admit: MiddlewareFunction<Response> = ({ request, context }, next) => {
  const visitor = context.get(visitorContext);
  const { pathname, search } = new URL(request.url);
  const who = {
    hosted,
    signedIn: visitor.account !== null,
    stranger: !hosted && visitor.householdId === null,
    pocket: visitor.pocket !== null,
    role: visitor.householdId === null ? null : visitor.role,
  };
  switch (admission(who, request.method, pathname)) {
    case 'admitted':
      return next();
    case 'sign-in': {
      const page = pathname.replace(/\.data$/, '');
      const to = request.method === 'GET' && page !== '/' ? `?${new URLSearchParams({ to: `${page}${search}` })}` : '';
      throw redirect(`/account/sign-in${to}`);
    }
    case 'pair':
      throw redirect('/pair');
    case 'begin':
      throw redirect('/welcome');
    case 'refused':
      context
        .get(logContext)
        ?.warn({ refused: 'role', role: visitor.role, path: pathname.slice(0, 200) }, 'not theirs');
      throw new Response(
        visitor.role === 'helper'
          ? 'As a helper you see tickets and clocks here. Ask somebody of the household to change anything.'
          : 'Only an owner of the household does this.',
        { status: 403, statusText: 'Not allowed' },
      );
    case 'no-such-page':
      throw notFound('There is no page at this address.');
  }
};
