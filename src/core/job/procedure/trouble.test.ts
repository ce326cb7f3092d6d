import { canHave, SYMPTOMS, trouble, type Cure, type Symptom } from '.';

const wheel = { build: 'spoked', tube: true, rimLocks: 1, rimDiameterIn: 19 } as const;
const run = (symptom: Symptom, more: object = {}, cures: Cure[] = []) =>
  trouble.run({ symptom, ...wheel, cures, ...more });
const ids = (...args: Parameters<typeof run>) => run(...args).result.checks.map((c) => c.id);

test('the likeliest first, and only what this wheel has', () => {
  expect(ids('bite-stuck').slice(0, 3)).toEqual(['well', 'small-bite', 'soap']);
  expect(ids('bite-stuck')).toEqual(expect.arrayContaining(['tube', 'strip', 'lock']));
  const bare = ids('bite-stuck', { tube: false, rimLocks: 0, build: 'cast' });
  for (const gone of ['tube', 'strip', 'lock']) expect(bare).not.toContain(gone);
  expect(ids('lock-stuck', { rimLocks: 0 })).toEqual([]);
});

test('a small rim makes some causes likelier, and says why', () => {
  const checks = run('bead-stuck', { rimDiameterIn: 10 }).result.checks;
  expect(checks.find((c) => c.id === 'warm')?.likelier).toMatch(/shallow well/);
  expect(ids('bead-stuck', { rimDiameterIn: 10 }).indexOf('warm')).toBeLessThan(
    ids('bead-stuck').indexOf('warm'),
  );
});

test('the shop’s own log reorders what is recalled, for the same trouble alone', () => {
  const cures: Cure[] = [{ symptom: 'bite-stuck', check: 'warm', count: 6 }];
  expect(ids('bite-stuck', {}, cures)[0]).toBe('warm');
  expect(run('bite-stuck', {}, cures).result.checks[0]!.cured).toBe(6);
  expect(ids('bead-stuck', {}, cures)).toEqual(ids('bead-stuck'));
  expect(run('bite-stuck', {}, cures).basis.map((b) => b.kind)).toContain('measured');
});

/** Troubles in which nothing is pushed, levered or tightened: force is not what tempts there. */
const NO_FORCE_NEEDED: readonly Symptom[] = [
  'valve-leans',
  'wrong-way',
  'ring-leaks',
  'tire-slips',
];

test.each(SYMPTOMS)(
  '%s: force is never the advice, and the caution says so where it tempts',
  (symptom) => {
    const { result, cautions } = run(symptom, {
      tube: true,
      build: canHave(symptom, 'spoked') ? 'spoked' : 'beadlock',
    });
    const said = result.checks.map((c) => c.check).join(' ');
    expect(said).not.toMatch(/\b(force|harder|hammer|bigger lever|longer bar|heave)\b/i);
    expect(cautions[0] === 'More force is the wrong answer. Stop, and find out why.').toBe(
      !NO_FORCE_NEEDED.includes(symptom),
    );
    expect(result.checks.length).toBeGreaterThan(1);
    expect(new Set(result.checks.map((c) => c.id)).size).toBe(result.checks.length);
    for (const c of result.checks) expect(c.why.length).toBeGreaterThan(10);
  },
);

const BUILDS_RUN = ['spoked', 'cast', 'split', 'beadlock'] as const;
const everyRun = () =>
  SYMPTOMS.flatMap((symptom) =>
    BUILDS_RUN.flatMap((build) =>
      [true, false].map((tube) => ({ symptom, build, ...run(symptom, { build, tube }) })),
    ),
  );

test('whatever turns a ring or rim bolt says air out first, and the deflate caution stands beside it', () => {
  for (const { symptom, build, result, cautions } of everyRun()) {
    const turnsBolts = result.checks.filter((c) =>
      /\bbolts?\b.*(torque|out|loosen|long)|torque the|ring off|halves apart|loosen/i.test(c.check),
    );
    for (const c of turnsBolts)
      expect([symptom, c.id, c.check]).toEqual([symptom, c.id, expect.stringMatching(/^Air out/)]);
    const asksAirOut = result.checks.some((c) => c.check.startsWith('Air out'));
    const deflate = `Deflate fully before you turn any ${build === 'split' ? 'rim' : 'ring'} bolt. It can kill.`;
    expect([symptom, build, cautions.includes(deflate)]).toEqual([symptom, build, asksAirOut]);
  }
});

test('no caution belongs to another trouble: a bead is cut only where a bead will not move', () => {
  for (const { symptom, cautions } of everyRun()) {
    const said = cautions.join();
    expect([symptom, /bead is cut/.test(said)]).toEqual([
      symptom,
      symptom === 'bead-stuck' || symptom === 'bite-stuck',
    ]);
    expect([symptom, /number of tries/.test(said)]).toEqual([symptom, symptom === 'not-seating']);
  }
});

test('seating has its own caution', () => {
  expect(run('not-seating').cautions.join()).toMatch(
    /Never above the limit; nobody over the wheel/,
  );
});

test('what only a clamped wheel has is nothing on a levered one, and the other way round', () => {
  for (const symptom of ['ring-tilts', 'bolt-spins', 'bead-off-step', 'ring-leaks'] as const) {
    expect(canHave(symptom, 'spoked')).toBe(false);
    expect(ids(symptom)).toEqual([]);
  }
  for (const symptom of ['bite-stuck', 'keeper-lifts', 'lever-slips'] as const)
    expect(ids(symptom, { build: 'beadlock' })).toEqual([]);
  // A split rim has no ring and no step, but bolts, and halves that leak.
  expect(canHave('ring-tilts', 'split')).toBe(false);
  const split = { build: 'split', tube: false } as const;
  expect(ids('ring-leaks', split)).toEqual(expect.arrayContaining(['seal', 'soap-ring']));
  expect(ids('ring-leaks', { ...split, tube: true })).not.toContain('seal');
  expect(
    run('bolt-spins', split)
      .result.checks.map((c) => c.check)
      .join(),
  ).toMatch(/rim bolts too long/);
  expect(
    run('bolt-spins', { build: 'beadlock' })
      .result.checks.map((c) => c.check)
      .join(),
  ).toMatch(/ring bolts too long/);
  // Every wheel's tire can creep; crush is a ring's.
  expect(ids('tire-slips')).not.toContain('slip-crush');
  expect(ids('tire-slips', { build: 'beadlock' })[0]).toBe('slip-crush');
});
