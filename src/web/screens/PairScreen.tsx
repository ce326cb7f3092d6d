import { lazy, Suspense, useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { pairNow, partnerOf, type PairNow } from '../../core/job';
import type { Rollout } from '../../core/bench/ring';
import { POSITION_WORDS, type Wheel } from '../../core/fit/wheels';
import type { Attempt } from '../../core/base/working';
import { Fallback } from '../parts/Fallback';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { useUnits } from '../shared/quantity';
import { Reasons } from '../shared/Reasons';
import { Spoken } from '../shared/Spoken';
import { VerdictShape } from '../parts/VerdictMark';
import { WheelDial } from '../pictures/WheelDial';
import { BasisTag } from '../shared/working';
import { useApp } from '../store';
import { useWheel } from '../shared/use-wheel';
import { PairClamp } from './pair/PairClamp';
import { TapeForm } from './pair/TapeForm';
import { refusalText } from '../shared/refusal';

const GrowthChart = lazy(() => import('./pair/GrowthChart'));

/** One wheel of the pair: its dial, and its rollout under it. */
const OneWheel = ({
  wheel,
  told,
  dashed,
}: {
  wheel: Wheel;
  told: Attempt<Rollout> | null;
  dashed: boolean;
}) => {
  const { say } = useUnits();
  return (
    <section className="min-w-0 text-center" aria-label={POSITION_WORDS[wheel.position]}>
      <WheelDial
        wheel={wheel}
        marks={[]}
        sideUp="disc"
        tireOn
        className="mx-auto w-full max-w-[176px] max-lg:max-w-[150px]"
      />
      <h2 className="text-xl">
        <Link to={`/wheels/${wheel.id}`}>{POSITION_WORDS[wheel.position]}</Link>
      </h2>
      <p className="num text-[28px] leading-tight">
        {told?.ok ? say(told.working.result.circumferenceMm, 'mm') : 'not taped'}
      </p>
      <p className="text-[15px] text-ink2">
        {wheel.tireMarking}, {dashed ? 'dashed line' : 'full line'}
      </p>
      {told?.ok && (
        <p>
          <BasisTag
            title={`the rollout of the ${POSITION_WORDS[wheel.position].toLowerCase()}`}
            working={told.working}
          >
            {told.working.result.settled ? 'settled' : 'still growing'}
          </BasisTag>
        </p>
      )}
      {told && !told.ok && <p className="text-stop">{refusalText(told.problem)}</p>}
    </section>
  );
};

/** The difference of the two, as they are aired: the only colored thing. */
const Apart = ({ pair }: { pair: PairNow }) => {
  const { say } = useUnits();
  const { aired } = pair;
  const match = aired?.match ?? pair.match;
  if (!match?.ok)
    return <p className="text-ink2">{match ? refusalText(match.problem) : 'Tape both tires.'}</p>;
  const { working } = match;
  const verdict = working.verdict ?? 'check';
  const tone = { good: 'text-good', check: 'text-check', stop: 'text-stop' }[verdict];
  return (
    <div className="text-center" aria-live="polite">
      <p className={`num text-[44px] leading-none ${tone}`}>
        {say(Math.abs(working.result.differenceMm), 'mm', { digits: 1 })}
      </p>
      <p className={`mt-1 inline-flex items-center gap-2 font-semibold ${tone}`}>
        <VerdictShape verdict={verdict} /> apart
      </p>
      {aired && (
        <p className="text-[15px] text-ink2">
          last taped: left at {say(aired.leftKpa, 'kPa')}, right at {say(aired.rightKpa, 'kPa')}
        </p>
      )}
      <p>
        <BasisTag title="the match" working={working}>
          math
        </BasisTag>
      </p>
    </div>
  );
};

const Chart = ({ pair }: { pair: PairNow }) => {
  const { left, right } = pair.rollouts;
  if (!left?.ok || !right?.ok) return null;
  if (left.working.result.runs.length + right.working.result.runs.length < 3) return null;
  return (
    <div className="mt-2 h-[190px]">
      <Fallback
        instead={
          <p className="pt-8 text-ink2">Chart didn’t load. The readings are in the records.</p>
        }
      >
        <Suspense fallback={null}>
          <GrowthChart
            left={left.working.result}
            right={right.working.result}
            names={{
              left: POSITION_WORDS[pair.left.position],
              right: POSITION_WORDS[pair.right.position],
            }}
          />
        </Suspense>
      </Fallback>
    </div>
  );
};

/** Two driven wheels side by side: how far apart they roll, how they grow, and which one to air. */
export const PairScreen = () => {
  const { id = '' } = useParams();
  const shop = useApp((s) => s.shop.shop);
  const rules = useMemo(
    () => Object.fromEntries((shop?.rules ?? []).map((r) => [r.key, r.value])),
    [shop],
  );
  const { machine, wheel, wheels, isMissing } = useWheel(id);
  const pair = useMemo(() => {
    const partner = wheel && partnerOf(wheel, wheels);
    return wheel && partner ? pairNow(wheel, partner, rules) : null;
  }, [wheel, wheels, rules]);
  if (!shop || (!wheel && !isMissing))
    return (
      <Frame title="Driven pair">
        <Waiting what="Loading wheels" />
      </Frame>
    );
  if (!wheel || !pair)
    return (
      <Frame title="Driven pair">
        <Failed
          message={
            wheel
              ? 'This wheel has no pair. Set Driven pair in its record and its partner’s.'
              : 'Wheel not found.'
          }
        >
          <Link className="btn" to={wheel ? `/wheels/${wheel.id}` : '/records/wheels'}>
            {wheel ? 'The wheel’s record' : 'All wheels'}
          </Link>
        </Failed>
      </Frame>
    );
  const again = [pair.rollouts.left, pair.rollouts.right].flatMap((r, i) =>
    r?.ok && !r.working.result.settled
      ? [POSITION_WORDS[(i === 0 ? pair.left : pair.right).position]]
      : [],
  );
  return (
    <Frame title={`Driven pair, ${machine?.name ?? ''}`}>
      <p className="-mt-2 mb-2 text-ink2">
        {wheel.pair}
        {machine && `, ${machine.rider}`}
      </p>
      <div className="grid items-center gap-3 max-lg:grid-cols-2 lg:grid-cols-[minmax(0,1fr)_200px_minmax(0,1fr)]">
        <OneWheel wheel={pair.left} told={pair.rollouts.left} dashed={false} />
        <div className="max-lg:order-first max-lg:col-span-2">
          <Apart pair={pair} />
        </div>
        <OneWheel wheel={pair.right} told={pair.rollouts.right} dashed />
      </div>
      <div className="mt-4 grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
        <section aria-label="What to do">
          {pair.aired?.match.ok && (
            <Reasons
              reasons={pair.aired.match.working.result.reasons.slice(0, 1)}
              className="mb-1"
            />
          )}
          {pair.aired && <p className="text-[16px] text-ink2">Both at the measuring pressure:</p>}
          {pair.match?.ok && <Reasons reasons={pair.match.working.result.reasons} />}
          {again.length > 0 && (
            <p className="mt-1 text-[16px]">
              Tape again after the next run: {again.join(', ').toLowerCase()}.
            </p>
          )}
          <Chart pair={pair} />
        </section>
        <section aria-label="Tape">
          <TapeForm wheels={[pair.left, pair.right]} rules={rules} />
          <PairClamp pair={pair} rules={rules} />
        </section>
      </div>
      <Spoken />
    </Frame>
  );
};
