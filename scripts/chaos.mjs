// `npm run chaos`: what must hold when machines fail. Without names all trials run, one after the other:
//   one       a server and its database killed, frozen and starved of disk while forms are sent   (`--seconds 90`)
//   two       two servers behind the proxy, one killed again and again
//   failover  the database server killed, the one that follows it promoted
//   restore   a household deleted by mistake, put back to the moment before
import {
  checkNode,
  ensureBuild,
  ensurePackages,
  ensureSystemPackages,
  fail,
  root,
  say,
  sayPlainly,
} from './lib/setup.mjs';

process.chdir(root);
sayPlainly();
checkNode();
ensureSystemPackages({ nginx: true });
ensurePackages();
ensureBuild();
const at = process.argv.indexOf('--seconds');
const seconds = (at > 0 && Number(process.argv[at + 1])) || 0;
const named = process.argv.slice(2).filter((a, k, all) => !a.startsWith('--') && all[k - 1] !== '--seconds');
const trials = {
  one: async () => (await import('./chaos/one-server.mjs')).oneServer(seconds || 90),
  two: async () => (await import('./chaos/two-servers.mjs')).twoServers(seconds || 40),
  failover: async () => (await import('./chaos/failover.mjs')).failover(),
  restore: async () => (await import('./chaos/restore.mjs')).restore(),
};
const odd = named.find((n) => !(n in trials));
if (odd) fail(`"${odd}" is no trial; there are ${Object.keys(trials).join(', ')}`);
const failed = [];
for (const [name, trial] of Object.entries(trials)) {
  if (named.length > 0 && !named.includes(name)) continue;
  say(`trial: ${name}`);
  if (!(await trial())) failed.push(name);
}
console.log(failed.length === 0 ? '\nneat-fold: everything held' : `\nneat-fold: FAILED: ${failed.join(', ')}`);
process.exit(failed.length === 0 ? 0 : 1);
