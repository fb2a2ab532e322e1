// `npm run migrate`: prepares the database of a hosted service, once a release, before its servers start. Needs ADMIN_DATABASE_URL (a superuser in
// the database postgres), OWNER_DATABASE_URL (the same in neatfold), APP_PASSWORD and DESK_PASSWORD for the two roles that serve pages.
import path from 'node:path';
import { fail, root, say, sayPlainly } from './lib/setup.mjs';

sayPlainly();
const given = (name) => process.env[name] || fail(`${name} is not set`);
const info = {
  adminUrl: given('ADMIN_DATABASE_URL'),
  ownerUrl: given('OWNER_DATABASE_URL'),
  appPassword: given('APP_PASSWORD'),
  deskPassword: given('DESK_PASSWORD'),
};
const { prepareDatabase } = await import('./lib/migrate.mjs');
await prepareDatabase(info, path.join(root, 'data/migrations'), { mode: 'hosted' });
say('the database is prepared for a hosted service');
