/**
 * Stand-ins of devices on loopback: a washing machine that reports its phases and a plug meter that reports watts, both of one run at a time, a sensor of
 * the room and a weather service, which speak by themselves.
 * They speak the protocol of docs/devices.md, as a real device or a home hub would, with a clock that may run faster.
 *
 *   node --import tsx stand-ins/devices.ts --app http://127.0.0.1:4173 --tokens .data/devices.json --port 4174
 */
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import express from 'express';
import * as v from 'valibot';
import { roomAt, weatherFrom } from './air.ts';
import { faults, runCurve, type CurveSample } from './run-curve.ts';

const { values } = parseArgs({
  options: { app: { type: 'string' }, tokens: { type: 'string' }, port: { type: 'string', default: '0' } },
});
const app = values.app ?? 'http://127.0.0.1:4173';
const tokensFile = values.tokens ?? '.data/devices.json';
const host = '127.0.0.1';

const number = (low: number, high: number) =>
  v.pipe(v.union([v.string(), v.number()]), v.transform(Number), v.number(), v.minValue(low), v.maxValue(high));
const wishSchema = v.object({
  minutes: v.optional(number(5, 300), 88),
  temperatureC: v.optional(number(15, 95), 40),
  spinRpm: v.optional(number(0, 1800), 1000),
  massKg: v.optional(number(0.1, 12), 4),
  seed: v.optional(number(0, 1e9), 7),
  /** Seconds of the run in a second on the wall. */
  speed: v.optional(number(1, 3_600), 60),
  fault: v.optional(v.picklist(faults), 'none'),
  /** Which of the two speak. */
  speaks: v.optional(v.picklist(['meter', 'washer', 'both']), 'meter'),
});
type Wish = v.InferOutput<typeof wishSchema>;
type Tokens = Record<'washer' | 'meter' | 'room' | 'weather', string>;

const everyMs = 2_000;
let timer: NodeJS.Timeout | undefined;
let standing = 'Nothing runs.';

async function send(token: string, readings: object[], forecast: object[] = []): Promise<void> {
  const response = await fetch(`${app}/devices/v1/readings`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Authorization: `Bearer ${token}` },
    body: JSON.stringify({ format: 'neat-fold/readings', version: 1, readings, forecast }),
  });
  if (!response.ok) throw new Error(`${response.status} ${await response.text()}`);
}
/** Samples of the meter, and the changes of phase of the machine. */
function readingsOf(list: readonly CurveSample[], at: (s: number) => string, last: CurveSample | undefined) {
  const meter = list.map((x) => ({ at: at(x.s), counterS: x.s, watts: x.watts }));
  const washer = list.flatMap((x, i) => {
    const before = list[i - 1] ?? last;
    const told = i === list.length - 1 || before?.phase !== x.phase;
    return told
      ? [
          {
            at: at(x.s),
            counterS: x.s,
            phase: x.phase,
            remainingMin: x.remainingMin,
            ...(x.error ? { error: x.error } : {}),
          },
        ]
      : [];
  });
  return { meter, washer };
}

function start(wish: Wish): void {
  clearInterval(timer);
  const tokens = JSON.parse(readFileSync(tokensFile, 'utf8')) as Tokens;
  const { samples } = runCurve(wish, wish.seed, wish.fault);
  const began = Date.now();
  const at = (s: number): string => new Date(began + (s / wish.speed) * 1000).toISOString();
  let sent = 0;
  const tick = async (): Promise<void> => {
    const s = ((Date.now() - began) / 1000) * wish.speed;
    const upTo = samples.findIndex((x) => x.s > s);
    const list = samples.slice(sent, upTo < 0 ? undefined : upTo);
    const { meter, washer } = readingsOf(list, at, samples[sent - 1]);
    const now = list.at(-1);
    if (now)
      standing = `${Math.round(now.s / 60)} min: ${now.phase}, ${Math.round(now.watts)} W, ${now.remainingMin} min left.`;
    sent += list.length;
    try {
      if (wish.speaks !== 'washer' && meter.length > 0)
        for (let k = 0; k < meter.length; k += 400) await send(tokens.meter, meter.slice(k, k + 400));
      if (wish.speaks !== 'meter' && washer.length > 0) await send(tokens.washer, washer);
    } catch (error) {
      // What was not heard is lost, as with a real device.
      standing += ` Not heard: ${error instanceof Error ? error.message : String(error)}`;
    }
    if (upTo < 0) {
      clearInterval(timer);
      standing = 'The run is over.';
    }
  };
  timer = setInterval(() => void tick(), everyMs);
  void tick();
}

const airSeed = 3;
const airEveryMs = 5 * 60_000;
const foretoldHours = 48;
const airBegan = Date.now();
let rainInH: number | null = 6;
/** The sensor and the weather service say what they see; unheard, they say it again next time. */
async function tellAir(): Promise<void> {
  try {
    const tokens = JSON.parse(readFileSync(tokensFile, 'utf8')) as Partial<Tokens>;
    const now = new Date();
    const counterS = Math.round((now.getTime() - airBegan) / 1000);
    if (tokens.room) await send(tokens.room, [{ at: now.toISOString(), counterS, ...roomAt(airSeed, now) }]);
    if (tokens.weather) await send(tokens.weather, [], weatherFrom(airSeed, now, foretoldHours, rainInH));
  } catch {
    // nobody listens yet
  }
}
setInterval(() => void tellAir(), airEveryMs);
void tellAir();

const page =
  (): string => `<!doctype html><html lang="en-GB"><meta charset="utf-8"><title>Stand-ins of a machine and a meter</title>
<body style="font:1rem/1.6 sans-serif;max-width:34rem;margin:2rem auto"><h1>A machine and its plug, stood in for</h1><p>${standing}</p>
<form method="post" action="/start" style="display:grid;gap:.5rem;grid-template-columns:12rem 1fr">
${(
  [
    ['minutes', '88'],
    ['temperatureC', '40'],
    ['spinRpm', '1000'],
    ['massKg', '4'],
    ['seed', '7'],
    ['speed', '60'],
  ] as const
)
  .map(([name, value]) => `<label for="${name}">${name}</label><input id="${name}" name="${name}" value="${value}">`)
  .join('')}
<label for="fault">fault</label><select id="fault" name="fault">${faults.map((f) => `<option>${f}`).join('')}</select>
<label for="speaks">who speaks</label><select id="speaks" name="speaks"><option>meter<option>washer<option>both</select>
<button>Start</button></form><form method="post" action="/stop"><button>Stop</button></form></body></html>`;

const server = express();
server.disable('x-powered-by');
server.use(express.urlencoded({ extended: false }), express.json());
server.get('/', (_request, response) => void response.type('html').send(page()));
server.get('/standing', (_request, response) => void response.json({ standing }));
server.post('/start', (request, response) => {
  const wish = v.safeParse(wishSchema, request.body);
  if (!wish.success) {
    const [issue] = wish.issues;
    return void response.status(422).json({ problem: `${v.getDotPath(issue) ?? 'body'}: ${issue.message}` });
  }
  start(wish.output);
  response.redirect(303, '/');
});
server.post('/weather', (request, response) => {
  const wish = v.safeParse(v.object({ rainInH: v.nullable(number(0, 48)) }), request.body);
  if (!wish.success) return void response.status(422).json({ problem: 'rainInH: hours from now, or null' });
  ({ rainInH } = wish.output);
  void tellAir();
  response.json({ rainInH });
});
server.post('/stop', (_request, response) => {
  clearInterval(timer);
  standing = 'Stopped.';
  response.redirect(303, '/');
});
const listening = server.listen(Number(values.port), host, () => {
  const address = listening.address();
  if (address && typeof address === 'object') console.log(`stand-ins: http://${host}:${address.port}`);
});
process.on('SIGTERM', () => process.exit(0));
process.on('SIGINT', () => process.exit(0));
