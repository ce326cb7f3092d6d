import { useMemo, useState } from 'react';
import { ruleNumber } from '../../core/rules';
import { PLACE_WORDS, tireAge, tireCompare, type ClearancePlace } from '../../core/tires';
import { tubePick } from '../../core/tubes';
import { attempt, worse, type Verdict } from '../../core/working';
import { Button } from '../parts/Button';
import { ChoiceField, QuantityField, TextField } from '../parts/fields';
import { useKeys } from '../parts/keys';
import { Quantity, useUnits } from '../parts/quantity';
import { VerdictMark, VerdictShape } from '../parts/VerdictMark';
import { BasisTag, useMainWorking } from '../parts/working';
import { useJob } from '../screens/job-context';
import { today } from '../store';
import { SizeOverlay } from './SizeOverlay';
import { FigureRow, JobDial, StationLayout } from './StationLayout';

const TYPED = 'typed';
const problemText = (p: { message: string; expected: string }) => `${p.message} Right would be ${p.expected}.`;

/** The new tire beside the old one, the tube that fits, and how old the new one is. */
export const Choose = () => {
  const { state, wheel, shop, write, correcting, goTo } = useJob();
  const { say, read, write: show } = useUnits();
  const before = state.chosen;
  const from = state.cameOff?.marking ?? wheel.tireMarking;
  const sameSize = shop.tires.find((t) => t.count > 0 && t.marking.split(' ')[0] === from.split(' ')[0]);
  const [tireId, setTireId] = useState(before ? (before.tireId ?? TYPED) : (sameSize?.id ?? TYPED));
  const picked = shop.tires.find((t) => t.id === tireId);
  const [marking, setMarking] = useState(before?.marking ?? picked?.marking ?? from);
  const [dateCode, setDateCode] = useState(before?.dateCode ?? picked?.dateCode ?? '');
  const [limit, setLimit] = useState(() => {
    const kpa = before ? before.seatLimitKpa : picked?.seatLimitKpa;
    return kpa != null ? show(kpa, 'kPa') : '';
  });
  const [tube, setTube] = useState(before?.tube ?? wheel.tube);
  const [tubeId, setTubeId] = useState(before?.tubeId ?? '');
  const [lightMark, setLightMark] = useState(before?.lightMark ?? picked?.lightMark ?? true);
  const [tried, setTried] = useState(false);

  const pick = (id: string) => {
    setTireId(id);
    const t = shop.tires.find((x) => x.id === id);
    if (!t) return;
    setMarking(t.marking);
    setDateCode(t.dateCode ?? '');
    setLimit(t.seatLimitKpa != null ? show(t.seatLimitKpa, 'kPa') : '');
    setLightMark(t.lightMark);
  };

  const clearancesMm = useMemo(() => Object.fromEntries(state.clearances.map((c) => [c.place, c.mm])), [state.clearances]);
  const compared = useMemo(() => attempt(tireCompare, { from, to: marking || ' ', clearancesMm }), [from, marking, clearancesMm]);
  const age = useMemo(
    () => (dateCode.trim() ? attempt(tireAge, { dateCode: dateCode.trim(), onDate: today(), rules: state.rules }) : null),
    [dateCode, state.rules],
  );
  const tubes = useMemo(() => (tube && compared.ok ? attempt(tubePick, { tire: marking, tubes: shop.tubes }) : null), [tube, compared.ok, marking, shop.tubes]);
  const tubeChosen = tubes?.ok ? (tubes.working.result.fits.find((f) => f.id === tubeId && f.fit !== 'no')?.id ?? tubes.working.result.bestId) : null;
  const tubeFit = tubes?.ok ? tubes.working.result.fits.find((f) => f.id === tubeChosen) : undefined;
  const limitKpa = limit.trim() ? read(limit, 'kPa') : null;
  const limitProblem = limit.trim() && (limitKpa === null || limitKpa < 20 || limitKpa > 1000) ? `A pressure from ${say(20, 'kPa')} to ${say(1000, 'kPa')}, as printed.` : null;
  useMainWorking('old and new', compared.ok ? compared.working : null);

  const reasons: { verdict: Verdict; text: string }[] = [];
  if (compared.ok) {
    const { sameRim, clearancesAfterMm, from: o, to } = compared.working.result;
    if (!sameRim) reasons.push({ verdict: 'stop', text: `A ${to.rimDiameterIn} inch tire does not go on a ${o.rimDiameterIn} inch rim.` });
    for (const [place, mm] of Object.entries(clearancesAfterMm)) {
      const leastMm = ruleNumber('clearance.leastMm', state.rules);
      const where = PLACE_WORDS[place as ClearancePlace];
      if (mm <= 0) reasons.push({ verdict: 'stop', text: `No room is left ${where}.` });
      else if (mm < leastMm) reasons.push({ verdict: 'check', text: `${say(mm, 'mm')} of room ${where}; the shop wants ${say(leastMm, 'mm')}.` });
    }
    if (to.estimated) reasons.push({ verdict: 'check', text: 'The size does not state all of it: the difference is an estimate.' });
    if (tube && to.tubeless === true && wheel.build === 'spoked') reasons.push({ verdict: 'check', text: 'A tubeless tire with a tube: reduced speed margin (memory).' });
  }
  if (wheel.build === 'spoked' && !tube) reasons.push({ verdict: 'check', text: 'A spoked rim without a tube: only when it is sealed.' });
  if (tubes?.ok && tubes.working.verdict !== 'good') reasons.push({ verdict: tubes.working.verdict!, text: tubes.working.cautions[0] ?? '' });
  if (age?.ok && age.working.result.verdict !== 'good') reasons.push({ verdict: age.working.result.verdict, text: `The new tire is ${age.working.result.ageYears.toFixed(1)} years old.` });
  const verdict = reasons.reduce<Verdict>((v, r) => worse(v, r.verdict), 'good');

  const save = async () => {
    setTried(true);
    if (!compared.ok || (age && !age.ok) || limitProblem) return;
    const done = await write(
      [{
        kind: 'chosen',
        ...correcting('chosen'),
        data: {
          marking: marking.trim(), dateCode: dateCode.trim() || null, tireId: tireId === TYPED ? null : tireId, tube,
          tubeId: tube ? tubeChosen : null, tubeLabel: tube ? (tubeFit?.label ?? null) : null, lightMark, seatLimitKpa: limitKpa,
        },
      }],
      'The choice is written.',
    );
    if (done) goTo('wheel-off');
  };
  useKeys([{ key: 'n', says: 'Take this tire and go on', run: () => void save() }]);

  const stock = [...shop.tires].filter((t) => t.count > 0).sort((a, b) => Number(b.id === sameSize?.id) - Number(a.id === sameSize?.id));
  return (
    <StationLayout
      picture={compared.ok ? <SizeOverlay comparison={compared.working.result} /> : <JobDial />}
      lead={`${from} comes off`}
      now={compared.ok ? (verdict === 'good' ? 'It fits.' : verdict === 'check' ? 'Look before you fit it.' : 'It does not fit.') : 'Which tire goes on?'}
    >
      {compared.ok && reasons.length > 0 && (
        <ul className="mb-3 space-y-1 text-[16px]">
          {reasons.map((r) => (
            <li key={r.text} className="flex gap-2">
              <VerdictShape verdict={r.verdict} size={20} />
              <span><span className="sr-only">{r.verdict}: </span>{r.text}</span>
            </li>
          ))}
        </ul>
      )}
      <form className="grid grid-cols-2 gap-x-3 gap-y-2" onSubmit={(e) => { e.preventDefault(); void save(); }}>
        <div className="col-span-2">
          <ChoiceField label="From stock" value={tireId} onChange={pick} options={[...stock.map((t) => [t.id, `${t.marking} · ${t.pattern} · ${t.count} in stock`] as const), [TYPED, 'typed, not from stock'] as const]} />
        </div>
        <TextField label="Size going on" value={marking} maxLength={40} onChange={(v) => { setMarking(v); setTireId(TYPED); }} problem={!compared.ok && (tried || marking) ? problemText(compared.problem) : null} />
        <TextField label="Its date code" value={dateCode} maxLength={4} inputMode="numeric" onChange={setDateCode} problem={age && !age.ok && (tried || dateCode.length >= 4) ? problemText(age.problem) : null} />
        <QuantityField label="Seating limit, sidewall" unit="kPa" value={limit} onChange={setLimit} problem={limitProblem} />
        <ChoiceField label="Tube" value={tube ? 'tube' : 'none'} onChange={(v) => setTube(v === 'tube')} options={[['tube', 'with a tube'], ['none', 'tubeless']]} />
        {tubes?.ok && (
          <div className="col-span-2">
            <ChoiceField
              label="Which tube"
              value={tubeChosen ?? ''}
              onChange={setTubeId}
              options={[...tubes.working.result.fits.filter((f) => f.fit !== 'no').map((f) => [f.id, `${f.label} · ${f.inStock} in stock`] as const), ...(tubeChosen ? [] : [['', 'none in stock serves'] as const])]}
              hint={tubeFit ? `${tubeFit.reason}.` : undefined!}
            />
          </div>
        )}
        <label className="col-span-2 flex min-h-12 items-center gap-3">
          <input type="checkbox" className="h-6 w-6 accent-[var(--water)]" checked={lightMark} onChange={(e) => setLightMark(e.target.checked)} />
          It has a light mark (a paint dot)
        </label>
        <div className="col-span-2">
          <Button go type="submit" hotkey="N">Take this tire</Button>
        </div>
      </form>
      {age?.ok && (
        <p className="mt-2 flex items-center gap-3">
          <VerdictMark verdict={age.working.result.verdict}>made week {age.working.result.weekOf.week} of {age.working.result.weekOf.year}</VerdictMark>
          <BasisTag title="the age of the new tire" working={age.working} />
        </p>
      )}
      {compared.ok && Math.abs(compared.working.result.speedometerErrorPct) >= 0.05 && (
        <div className="rows mt-1">
          <FigureRow label="Circumference" basis={<BasisTag title="old and new" working={compared.working} />}>
            <Quantity value={compared.working.result.circumferenceChangePct} unit="pct" sign />
          </FigureRow>
          <FigureRow label="Speedometer reads" basis={<BasisTag title="old and new" working={compared.working} />}>
            <Quantity value={compared.working.result.speedometerErrorPct} unit="pct" sign />
          </FigureRow>
        </div>
      )}
    </StationLayout>
  );
};
