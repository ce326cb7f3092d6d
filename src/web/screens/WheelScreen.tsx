import { useMemo, useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { wheelTrends } from '../../core/job';
import { treadWear } from '../../core/fit/tires';
import { counted, placeText, dateText, monthText } from '../../core/base/units';
import {
  BUILD_WORDS,
  lockMarks,
  lockPlaces,
  POSITION_WORDS,
  rimCode,
  wheelEnd,
  type DialMark,
  type Wheel,
} from '../../core/fit/wheels';
import { attempt } from '../../core/base/working';
import { Button } from '../parts/Button';
import { Failed, Frame, Waiting } from '../parts/Frame';
import { Quantity, useUnits } from '../parts/quantity';
import { Reasons } from '../parts/Reasons';
import { SectionDrawing } from '../parts/SectionDrawing';
import { Spoken } from '../parts/Spoken';
import { BasisTag } from '../parts/working';
import { WheelDial } from '../parts/WheelDial';
import { today, useApp, useDo } from '../store';
import { openJob } from '../store/job-writing';
import { announce } from '../store/jobs-slice';
import type { WheelRecord } from '../store/api';
import { FigureRow } from '../stations/StationLayout';
import { PressureRecord } from './PressureRecord';
import { ClampedFacts } from './ClampedFacts';
import { LookSheet } from './recheck/LookSheet';
import { WheelLife } from './WheelLife';
import { WheelTrends } from './WheelTrends';
import { WheelRechecks } from './recheck/WheelRechecks';
import { RecordSheet } from './records/RecordSheet';
import { useRecordQuery } from '../store/records-api';
import { useWheelRecord } from '../parts/use-wheel-record';
import { refusalText } from '../parts/refusal';

/** The marks of the record and the last job on the dial. */
const marksOf = (wheel: Wheel, { history }: WheelRecord): DialMark[] => [
  ...lockMarks(wheel),
  ...(wheel.heavySpotDeg !== null
    ? [{ is: 'heavy', deg: wheel.heavySpotDeg, label: 'heavy, bare' } as const]
    : []),
  ...[
    ...new Map(
      (history.weights[0]?.pieces ?? []).map((p) => [
        p.deg,
        history.weights[0]!.pieces.filter((q) => q.deg === p.deg).reduce((t, q) => t + q.massG, 0),
      ]),
    ),
  ].map(([deg, massG]): DialMark => ({ is: 'weight', deg, label: `${massG} g` })),
];

const Fact = ({
  label,
  children,
  basis,
}: {
  label: string;
  children: ReactNode;
  basis?: ReactNode;
}) => (
  <FigureRow label={label} basis={basis}>
    <span className="text-[18px]">{children}</span>
  </FigureRow>
);

/** Distance left in the tire that is on, from the depths in the record. */
const Wear = ({ wheel }: { wheel: Wheel }) => {
  const { say } = useUnits();
  const rules = useApp((s) => s.shop.shop?.rules);
  const values = useMemo(
    () => Object.fromEntries((rules ?? []).map((r) => [r.key, r.value])),
    [rules],
  );
  if (wheel.treads.length === 0) return null;
  const wear = attempt(treadWear, {
    readings: wheel.treads.map(({ km, depthMm, onDate }) => ({ km, depthMm, onDate })),
    rules: values,
  });
  return (
    <section className="mt-5">
      <h2 className="text-2xl">Tread</h2>
      {wear.ok ? (
        <>
          <Reasons reasons={[wear.working.result.reason]} />
          <p className="flex flex-wrap items-center gap-x-3 text-[16px] text-ink2">
            {wear.working.result.doneOn && (
              <span>
                {wear.working.result.doneOn < today()
                  ? `worn out since ${dateText(wear.working.result.doneOn)} at this pace: measure again`
                  : `worn out about ${dateText(wear.working.result.doneOn)} at this pace`}
              </span>
            )}
            {wear.working.result.rateMmPer1000Km !== null && (
              <span>
                {say(wear.working.result.rateMmPer1000Km, 'mm', { digits: 2 })} in {say(1000, 'km')}
              </span>
            )}
            <BasisTag title="tread wear" working={wear.working} />
          </p>
        </>
      ) : (
        <p className="text-stop">{refusalText(wear.problem)}</p>
      )}
    </section>
  );
};

/** Everything known of a wheel, on its dial and in words, and the jobs that knew it. */
export const WheelScreen = () => {
  const { id = '' } = useParams();
  const navigate = useNavigate();
  const dispatch = useDo();
  const who = useApp((s) => s.prefs.who);
  const { say, units } = useUnits();
  const { currentData } = useRecordQuery({ kind: 'wheels', id });
  const kept = currentData as Wheel | undefined;
  const { record, problem } = useWheelRecord(id, kept?.version);
  const [sideUp, setSideUp] = useState<'disc' | 'other'>('disc');
  const [editing, setEditing] = useState(false);
  const start = async () => {
    try {
      const jobId = await dispatch(openJob({ machineId: kept!.machineId, wheelId: id })).unwrap();
      await navigate(`/jobs/${jobId}/intake`);
    } catch (error) {
      dispatch(announce({ text: (error as Error).message, tone: 'stop' }));
    }
  };
  if (problem)
    return (
      <Frame title="Wheel">
        <Failed message={problem}>
          <Link className="btn" to="/records/wheels">
            All wheels
          </Link>
        </Failed>
      </Frame>
    );
  if (!record || !kept)
    return (
      <Frame title="Wheel">
        <Waiting what="Loading wheel" />
      </Frame>
    );
  const { machine, jobs, history } = record;
  const code = attempt(rimCode, { code: kept.rimCode });
  const rim = code.ok ? code.working.result : null;
  const last = kept.runouts.at(-1);
  return (
    <Frame
      title={`${POSITION_WORDS[kept.position]}, ${machine.name}`}
      actions={
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => setEditing(true)}>Change</Button>
          <Link className="btn" to={`/wheels/${id}/tag`}>
            Wheel tag
          </Link>
          {kept.pair && (
            <Link className="btn" to={`/wheels/${id}/pair`}>
              Driven pair
            </Link>
          )}
          <Link
            className="btn"
            to={`/bench/sizes?${new URLSearchParams([
              ['size', kept.tireMarking],
              ['size', kept.tireMarking],
              ['wheel', id],
            ])}`}
          >
            Compare sizes
          </Link>
          <Button go disabled={!who} onClick={() => void start()}>
            Start a job
          </Button>
        </div>
      }
    >
      <div className="grid gap-x-8 lg:grid-cols-[minmax(0,480px)_minmax(0,1fr)]">
        <section aria-label="The wheel">
          <WheelDial
            wheel={kept}
            marks={marksOf(kept, record)}
            sideUp={sideUp}
            tireOn
            className="w-full lg:max-h-[520px]"
          />
          <Button
            small
            className="mt-2"
            onClick={() => setSideUp((s) => (s === 'disc' ? 'other' : 'disc'))}
          >
            Turn wheel over
          </Button>
          <SectionDrawing wheel={kept} className="mt-4 w-full" />
          {kept.overallWidthMm !== null && kept.backspaceMm !== null && (
            <a
              className="inline-flex min-h-12 items-center"
              href={`/api/wheels/${id}/section.svg?${new URLSearchParams({ ...units })}`}
            >
              Cross-section, SVG
            </a>
          )}
        </section>
        <section>
          <div className="rows">
            <Fact
              label="Rim"
              basis={code.ok ? <BasisTag title="the rim code" working={code.working} /> : undefined}
            >
              {kept.rimCode}, {BUILD_WORDS[kept.build]}
              {rim && `, ${say(rim.widthMm, 'mm')} wide`}
            </Fact>
            <Fact label="Contour">
              {rim
                ? `${rim.contour}, ${rim.hump === null ? 'hump not marked' : rim.hump ? 'safety hump' : 'no hump'}`
                : 'not readable'}
              {kept.tubelessMarked ? ', marked tubeless' : ''}
              {kept.sealed ? ', sealed' : ''}
            </Fact>
            <Fact label="Tire and tube">
              {kept.tireMarking}, {kept.tube ? 'tube' : 'tubeless'}
            </Fact>
            <Fact label="Valve hole">
              {kept.valveHoleMm === null
                ? 'not measured'
                : say(kept.valveHoleMm, 'mm', { digits: 1 })}
            </Fact>
            {kept.rimLockDegs.length > 0 && (
              <Fact label="Rim locks">
                {lockPlaces(kept)}
                {kept.lockHoleMm !== null && `, hole ${say(kept.lockHoleMm, 'mm', { digits: 1 })}`}
              </Fact>
            )}
            {kept.spokes > 0 && <Fact label="Spokes">{kept.spokes}</Fact>}
            <Fact label="Brake disc">{kept.discSide}</Fact>
            {kept.rimLimitKpa !== null && (
              <Fact label="Limit on the rim">
                <Quantity value={kept.rimLimitKpa} unit="kPa" />
              </Fact>
            )}
            <Fact label="Heavy spot, bare rim">
              {kept.heavySpotDeg === null ? 'not found yet' : placeText(kept.heavySpotDeg)}
            </Fact>
            <ClampedFacts wheel={kept} />
            <Fact label="Runout">
              {last
                ? `${say(last.lateralMm, 'mm', { digits: 1 })} side to side, ${say(last.radialMm, 'mm', { digits: 1 })} up and down, ${dateText(last.onDate)}`
                : 'not measured'}
            </Fact>
            {kept.runouts.length > 1 && (
              <Fact label="Earlier">
                {kept.runouts
                  .slice(0, -1)
                  .reverse()
                  .map(
                    (r) =>
                      `${say(r.lateralMm, 'mm', { digits: 1 })} / ${say(r.radialMm, 'mm', { digits: 1 })} (${monthText(r.onDate)})`,
                  )
                  .join(', ')}
              </Fact>
            )}
            {history.runouts.length > 0 && (
              <Fact label="Runout on the bench">
                {history.runouts
                  .slice(0, 3)
                  .map(({ lateralMm, radialMm, onDate }) => {
                    const side =
                      lateralMm !== null && `${say(lateralMm, 'mm', { digits: 1 })} side`;
                    const up = radialMm !== null && `${say(radialMm, 'mm', { digits: 1 })} up`;
                    return `${[side, up].filter(Boolean).join(', ')} (${monthText(onDate)})`;
                  })
                  .join('; ')}
              </Fact>
            )}
            {history.clearances.map((c) => (
              <Fact key={c.place} label={`Clearance ${c.place}`}>
                {say(c.mm, 'mm')}, {c.load}, with {c.withTire.split(' ')[0]} on
              </Fact>
            ))}
            {history.heavySpots[0] && (
              <Fact label="Heavy spot with tire">
                {history.heavySpots
                  .slice(0, 3)
                  .map((h) => `${placeText(h.deg)} (${monthText(h.onDate)})`)
                  .join('; ')}
              </Fact>
            )}
            {kept.note && <Fact label="Note">{kept.note}</Fact>}
          </div>
          <WheelRechecks wheelId={id} />
          <Wear wheel={kept} />
          <PressureRecord
            wheel={kept}
            placardKpa={
              wheelEnd(kept.position) === 'front' ? machine.placardFrontKpa : machine.placardRearKpa
            }
          />
        </section>
      </div>
      <WheelTrends trends={wheelTrends(history)} />
      <WheelLife life={history.life} />
      {jobs.length > history.life.length && (
        <p className="mt-2">
          <Link to={`/jobs?search=${encodeURIComponent(machine.name)}`}>
            {counted(jobs.length - history.life.length, 'earlier job')}
          </Link>
        </p>
      )}
      {jobs.length === 0 && <p className="mt-6 text-ink2">No job yet.</p>}
      <Spoken />
      <LookSheet />
      {editing && <RecordSheet kind="wheels" record={kept} onDone={() => setEditing(false)} />}
    </Frame>
  );
};
