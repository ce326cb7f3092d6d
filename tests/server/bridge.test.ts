import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { KINDS_OF_DEVICE, readLine } from '../../src/core/bench/devices';
import { bridge } from '../../src/server/devices/bridge';
import { deviceHub } from '../../src/server/devices/device-hub';

const DIR = join(__dirname, '..', '..', 'docs', 'devices');
const carry = async (
  text: string,
  post: (body: string) => Promise<ReturnType<ReturnType<typeof deviceHub>['post']>>,
) => {
  const says: string[] = [];
  return { sum: await bridge(Readable.from([text]), { post, say: (t) => says.push(t) }), says };
};

test.each(KINDS_OF_DEVICE)('the example of a %s goes through the bridge whole', async (kind) => {
  const text = readFileSync(join(DIR, `${kind}.ndjson`), 'utf8');
  const hub = deviceHub([]);
  const { sum, says } = await carry(text, async (body) => hub.post(body));
  const lines = text.trim().split('\n');
  expect([sum, says]).toEqual([{ taken: lines.length, refused: 0, lost: 0 }, []]);
  expect(hub.list()).toEqual([
    expect.objectContaining({ kind, simulated: false, last: readLine(lines.at(-1)!) }),
  ]);
});

test('there is an example of every kind and no other', () =>
  expect(readdirSync(DIR).sort()).toEqual(KINDS_OF_DEVICE.map((k) => `${k}.ndjson`).sort()));

test('units turn into the program’s own', () => {
  const read = (kind: string, value: number, unit: string) =>
    readLine(JSON.stringify({ device: 'x', kind, value, unit, at: '2026-04-30T09:00:00Z' })).value;
  expect([
    read('gauge', 40, 'psi'),
    read('gauge', 2.5, 'bar'),
    read('caliper', 0.8, 'in'),
    read('thermometer', 212, 'F'),
    read('torque-wrench', 20, 'lbf-ft'),
  ]).toEqual([
    expect.closeTo(275.79, 2),
    250,
    expect.closeTo(20.32, 9),
    expect.closeTo(100, 9),
    expect.closeTo(27.12, 2),
  ]);
});

test('what is refused is said with its line; while nobody answers the newest are kept', async () => {
  const hub = deviceHub([]);
  const good = readFileSync(join(DIR, 'caliper.ndjson'), 'utf8').split('\n')[0]!;
  const bad = await carry(`${good}\n\nnot a line\n`, async (body) => hub.post(body));
  expect([bad.sum, bad.says[0]]).toEqual([
    { taken: 1, refused: 1, lost: 0 },
    expect.stringContaining('not a line'),
  ]);
  const away = await carry(`${good}\n`.repeat(500), async () => {
    throw new Error('nobody there');
  });
  expect(away.sum).toEqual({ taken: 0, refused: 0, lost: 500 });
  expect(away.says).toEqual([expect.stringContaining('nobody there')]);
});
