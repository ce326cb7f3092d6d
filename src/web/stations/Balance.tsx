import { useMemo, useState } from 'react';
import { adjustment, balancingOf, levelVerdict } from '../../core/job';
import { ruleNumber } from '../../core/rules';
import { angleBetween, normalDeg } from '../../core/units';
import type { DialMark } from '../../core/wheels';
import { Button } from '../parts/Button';
import { ChoiceField } from '../parts/fields';
import { useKeys } from '../parts/keys';
import { PlaceField, usePlace } from '../parts/place';
import { Quantity, useUnits } from '../parts/quantity';
import { BasisTag, useMainWorking } from '../parts/working';
import { useJob } from '../screens/job-context';
import { FigureRow, JobDial, StationLayout } from './StationLayout';

type Moved = 'rises' | 'sinks' | 'stays';
const MOVES: Moved[] = ['rises', 'sinks', 'stays'];
const QUARTER_DEG = 90;

/** Place and mass of the counterweight in as few goes as the readings allow. */
export const Balance = () => {
  const { state, wheel, shop, write, goTo } = useJob();
  const { say } = useUnits();
  const place = usePlace();
  const [picked, setPicked] = useState<number | null>(null);
  const [fieldKey, setFieldKey] = useState(0);
  const [trialDegTyped, setTrialDeg] = useState<number | null>(null);
  const balancing = useMemo(() => balancingOf(state, shop.weights), [state, shop.weights]);
  const { restDeg, found, placed, stock, sides } = balancing;
  const usualTrialG = stock.map((s) => s.massG).sort((a, b) => Math.abs(a - 20) - Math.abs(b - 20))[0] ?? 20;
  const [trialG, setTrialG] = useState(usualTrialG);

  const { rests, trial, weights, levelChecks, rules } = state;
  const trialDeg = trialDegTyped ?? (restDeg === null ? null : normalDeg(Math.round(restDeg + QUARTER_DEG)));
  useMainWorking(placed?.ok ? 'the pieces to put on' : 'the heavy spot', placed?.ok ? placed.working : found?.ok ? found.working : null);

  const clear = () => {
    setPicked(null);
    setTrialDeg(null);
    setFieldKey((k) => k + 1);
  };
  const keepRest = async () => picked !== null && (await write([{ kind: 'rest', data: { restDeg: picked } }])) && clear();
  const keepTrial = async () =>
    picked !== null && trialDeg !== null && (await write([{ kind: 'trial-rest', data: { trialMassG: trialG, trialDeg, restDeg: picked } }])) && clear();
  const putOn = async () =>
    placed?.ok && (await write([{ kind: 'weights', data: { pieces: placed.working.result.pieces, residualG: placed.working.result.residualG } }], 'Weights written. Check at 3 and 9.'));
  const level = (clock: 3 | 9, moved: Moved) => void write([{ kind: 'level-check', data: { clock, moved } }]);

  const [weighing, setWeighing] = useState(false);
  const stage = balancing.stage === 'rested' && weighing ? 'trial' : balancing.stage;
  const go = () => {
    if (stage === 'rest' || stage === 'rested') void (picked !== null ? keepRest() : restDeg !== null && setWeighing(true));
    else if (stage === 'trial') void keepTrial();
    else if (stage === 'place') void putOn();
    else if (stage === 'check' && levelVerdict(levelChecks) === 'balanced') goTo('wheel-back');
  };
  useKeys([
    { key: 'n', says: 'Do this and go on', run: go },
    { key: 'r', says: 'Take the reading', run: () => document.querySelector<HTMLInputElement>('#balance-fields input')?.focus() },
  ]);

  const pieces = placed?.ok ? placed.working.result.pieces : [];
  const piecesText = [...new Set(pieces.map((p) => p.deg))]
    .map((deg) => `${pieces.filter((p) => p.deg === deg).map((p) => say(p.massG, 'g')).join(' + ')} at ${place.clock(deg)}`)
    .join(', ');
  const verdict = levelVerdict(levelChecks);
  const change = adjustment(state, balancing);
  const changeSaid = change ? `${say(change.piece.massG, 'g')} at ${place.clock(change.piece.deg)} o\u2019clock` : '';
  const now = {
    rest: 'Let it settle. Where is the bottom?',
    rested: rests.length < 2 ? 'Again, from the other side.' : 'Now one trial mass.',
    trial: `Put ${say(trialG, 'g')} at ${trialDeg === null ? 'a quarter turn' : `${place.clock(trialDeg)} o\u2019clock`}.`,
    again: 'That trial cannot tell.',
    place: pieces.length === 0 ? 'No weight is needed.' : `Put on ${piecesText}.`,
    check:
      verdict === 'balanced'
        ? 'Balanced.'
        : verdict === 'too little'
          ? `Too little${change ? `: add ${changeSaid}` : ''}.`
          : verdict === 'too much'
            ? `Too much: take ${change ? changeSaid : 'a piece'} off.`
            : verdict === 'unclear'
              ? 'It moves both ways: let it settle again.'
              : 'Weight level at 3, let go. Then at 9.',
  }[stage];
  const why = {
    rest: 'The heavy spot comes to the bottom, within what the bearings hide.',
    rested: 'The middle of the two cancels the friction. One rest will do on a good stand.',
    trial: 'A quarter turn from the heavy spot tells the mass in one go. Then let it settle.',
    again: found && !found.ok ? `${found.problem.message} Right would be ${found.problem.expected}.` : '',
    place: sides === 'both' ? 'In pairs, one on each side of the rim.' : 'All on the side away from the caliper.',
    check: 'Rises: too little. Sinks: too much. Stays at both: done.',
  }[stage];

  const extra: DialMark[] = useMemo(() => {
    if (stage === 'trial' && trialDeg !== null) return [{ at: 'trial', deg: trialDeg, label: say(trialG, 'g') }, ...(picked === null ? [] : [{ at: 'rest' as const, deg: picked, label: 'then' }])];
    if (stage === 'place') return (placed?.ok ? placed.working.result.pieces : []).filter((p) => p.side === 'near').map((p) => ({ at: 'weight', deg: p.deg, label: '' }));
    return picked === null ? [] : [{ at: 'heavy', deg: picked, label: 'here' }];
  }, [stage, trialDeg, trialG, picked, placed, say]);
  const taking = stage === 'rest' || stage === 'rested' || stage === 'trial';

  return (
    <StationLayout
      picture={<JobDial extra={extra} onPick={taking ? (deg) => { setPicked(deg); setFieldKey((k) => k + 1); } : undefined} />}
      lead={wheel.build === 'spoked' ? 'Static balance, crimp-on at the spokes' : 'Static balance, adhesive'}
      now={now}
      why={why}
    >
      {taking && (
        <form
          id="balance-fields"
          className="grid gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            go();
          }}
        >
          {stage === 'trial' && (
            <div className="grid grid-cols-2 gap-3">
              <ChoiceField label="Trial mass" value={String(trialG)} onChange={(v) => setTrialG(Number(v))} options={[...new Set([5, 10, 20, 30, 40, ...stock.map((s) => s.massG)])].sort((a, b) => a - b).map((m) => [String(m), say(m, 'g')] as const)} />
              <PlaceField key={`t${fieldKey}`} label="Its place" deg={trialDeg} onPlace={setTrialDeg} />
            </div>
          )}
          <PlaceField key={fieldKey} label={stage === 'trial' ? 'It now settles with this at the bottom' : 'This came to the bottom'} deg={picked} onPlace={setPicked} />
          <div className="flex flex-wrap gap-3">
            <Button go type="submit" hotkey="N" disabled={picked === null && stage !== 'rested'}>
              {picked === null && stage === 'rested' ? 'On to the trial mass' : 'Take it'}
            </Button>
            {stage === 'trial' && <Button onClick={() => setWeighing(false)}>Another rest first</Button>}
          </div>
        </form>
      )}
      {stage === 'again' && <Button go onClick={() => void write([{ kind: 'rest', data: { restDeg: restDeg! } }])}>Try another mass or place</Button>}
      {stage === 'place' && placed?.ok && <Button go hotkey="N" onClick={() => void putOn()}>{pieces.length === 0 ? 'Write it down' : 'They are on'}</Button>}
      {stage === 'place' && placed && !placed.ok && <p className="text-check">{placed.problem.message} Right would be {placed.problem.expected}.</p>}
      {stage === 'check' && (
        <div className="rows">
          {([3, 9] as const).map((clock) => (
            <div key={clock} role="group" aria-label={`Held at ${clock} o'clock`} className="row items-center">
              <span>At {clock} o'clock it</span>
              <span className="flex gap-2">
                {MOVES.map((m) => (
                  <Button key={m} small aria-pressed={levelChecks[clock] === m} onClick={() => level(clock, m)}>{m}</Button>
                ))}
              </span>
            </div>
          ))}
        </div>
      )}
      {stage === 'check' && (
        <div className="mt-4 flex flex-wrap gap-3">
          {change && (
            <Button go onClick={() => void write([{ kind: 'weights', data: { pieces: change.pieces, residualG: change.residualG } }], 'Weights written. Check again at 3 and 9.')}>
              {verdict === 'too little' ? 'It is on' : 'It is off'}
            </Button>
          )}
          {verdict === 'balanced' && <Button go hotkey="N" onClick={() => goTo('wheel-back')}>On to the machine</Button>}
          {restDeg !== null && <Button onClick={() => { setWeighing(false); void write([{ kind: 'rest', data: { restDeg } }], 'A new balancing begins with the rest you had.'); }}>Balance again</Button>}
        </div>
      )}
      <div className="rows mt-5">
        {restDeg !== null && (
          <FigureRow label="Settles at"><span className="num text-lg">{place.say(restDeg)}</span></FigureRow>
        )}
        {rests.length > 1 && (
          <FigureRow label="The two rests differ by"><Quantity value={Math.abs(angleBetween(rests.at(-2)!.restDeg, rests.at(-1)!.restDeg))} unit="deg" /></FigureRow>
        )}
        {found?.ok && (
          <FigureRow label="Heavy spot" basis={<BasisTag title="the heavy spot" working={found.working}>measured</BasisTag>}>
            <Quantity value={found.working.result.heavyMassG} unit="g" big />
          </FigureRow>
        )}
        {placed?.ok && !weights && (
          <FigureRow label="Left after this" basis={<BasisTag title="the pieces to put on" working={placed.working}>{`limit ${say(ruleNumber('balance.toleranceG', rules), 'g')}`}</BasisTag>}>
            <Quantity value={placed.working.result.residualG} unit="g" />
          </FigureRow>
        )}
        {weights && (
          <FigureRow label="On the rim">
            <span className="num text-lg">{weights.pieces.map((p) => say(p.massG, 'g')).join(' + ') || 'nothing'}</span>
          </FigureRow>
        )}
      </div>
      {trial && <p className="mt-3 text-[16px] text-ink2">{say(trial.trialMassG, 'g')} at {place.say(trial.trialDeg)} moved the rest to {place.say(trial.restDeg)}.</p>}
    </StationLayout>
  );
};
