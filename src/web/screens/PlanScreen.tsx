import { useMemo } from 'react';
import { Link } from 'react-router';
import { counted } from '../../core/base/units';
import { durationText } from '../parts/duration-text';
import { Button } from '../parts/Button';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { useKeys } from '../parts/keys';
import { Spoken } from '../shared/Spoken';
import { useAddress } from '../parts/use-address';
import { VerdictMark, VerdictShape } from '../parts/VerdictMark';
import { BasisTag } from '../shared/working';
import { useApp } from '../store';
import type { PlanAnswer } from '../store/day-api';
import { LaneList, Lanes } from './plan/Lanes';
import { PlannedWheels } from './plan/PlannedWheels';
import { gapText } from './plan/gap-text';
import { barsOf, clockOf } from './plan/plan-rows';
import { useMove } from './plan/use-move';
import { usePlan } from './plan/use-plan';

const MAX_PEOPLE = 6;
const NOBODY: readonly string[] = [];
const MINUTE_MS = 60_000;

const readPeople = (params: URLSearchParams): string[] => params.getAll('person');
const writePeople = (params: URLSearchParams, people: string[]): void => {
  params.delete('person');
  for (const p of people) params.append('person', p);
};

/** Plan result: promises kept, those that are not and what would keep them, what is left out. */
const Says = ({ answer, isGoingOn }: { answer: PlanAnswer; isGoingOn: boolean }) => {
  const { result, input } = answer.working;
  const nameOf = (id: string) => input.visits.find((v) => v.id === id)?.name ?? '';
  const endOf = (id: string) => {
    const done = result.done.find((d) => d.visitId === id);
    return done ? clockOf(Date.parse(answer.at) + done.endMin * MINUTE_MS) : '';
  };
  const promised = input.visits.filter((v) => v.dueMin !== null).length;
  return (
    <section aria-label="Plan result" className="mb-4 text-[17px]">
      <p className="flex flex-wrap items-center gap-x-3" role="status">
        {result.broken.length === 0 ? (
          <VerdictMark verdict="good">
            {promised === 0 ? 'no promises today' : `keeps ${counted(promised, 'promise')}`}
          </VerdictMark>
        ) : (
          <VerdictMark verdict="stop">{`misses ${counted(result.broken.length, 'promise')}`}</VerdictMark>
        )}
        <span className="text-ink2">
          {gapText(result)} {isGoingOn && 'Still looking for a better one. '}Uses median times: half
          of jobs run longer.
        </span>
        <BasisTag title="the day plan" working={answer.working} />
      </p>
      <ul>
        {result.broken.map((b) => (
          <li key={b.visitId} className="mt-1 flex items-start gap-2">
            <VerdictShape verdict="stop" size={20} />
            <span>
              <Link to={`/visits/${b.visitId}`}>{nameOf(b.visitId)}</Link>: done at{' '}
              {endOf(b.visitId)}, {durationText(b.lateMin * 60)} late. {b.would}
            </span>
          </li>
        ))}
        {answer.letGo.map((l) => (
          <li key={`${l.visitId} ${l.why}`} className="mt-1 flex items-start gap-2">
            <VerdictShape verdict="check" size={20} />
            <span>
              <Link to={`/visits/${l.visitId}`}>{l.wheel}</Link>, {l.why}. It was unpinned.
            </span>
          </li>
        ))}
        {answer.leftOut.map((l) => (
          <li key={l.visitId} className="mt-1 text-ink2">
            <Link to={`/visits/${l.visitId}`}>{l.machineName}</Link>: {l.why}. Not in the plan.
          </li>
        ))}
      </ul>
    </section>
  );
};

/**
 * The day in order: who does what when, so that the most promises are kept; moved by hand where
 * someone knows better.
 */
export const PlanScreen = () => {
  const all = useApp((s) => s.shop.shop?.people ?? NOBODY);
  const [asked, ask] = useAddress<string[]>(readPeople, writePeople);
  const people = asked.length > 0 ? asked : all.slice(0, MAX_PEOPLE);
  const { answer, planning, problem, plan, planClosely, stop } = usePlan(people);
  const moves = useMove(plan);
  const bars = useMemo(() => (answer ? barsOf(answer) : []), [answer]);
  const isOpen = answer !== null && !answer.working.result.proven && planning === null;
  const toggle = (name: string) => {
    const next = people.includes(name) ? people.filter((p) => p !== name) : [...people, name];
    if (next.length > 0 && next.length <= MAX_PEOPLE) ask(next);
  };
  useKeys([
    { key: 'r', label: 'Plan again', run: plan },
    ...(isOpen ? [{ key: 'c', label: 'Search longer for a better plan', run: planClosely }] : []),
    ...(moves.undo
      ? [{ key: 'u', label: 'Undo the last move', run: () => void moves.undo?.() }]
      : []),
  ]);
  return (
    <Frame
      title="Day plan"
      actions={
        <div className="flex flex-wrap gap-2">
          {planning !== null ? (
            <Button onClick={stop}>Stop planning</Button>
          ) : (
            <Button hotkey="R" onClick={plan}>
              Plan again
            </Button>
          )}
          {isOpen && (
            <Button hotkey="C" onClick={planClosely}>
              Search longer
            </Button>
          )}
          {moves.undo && (
            <Button hotkey="U" onClick={() => void moves.undo?.()}>
              Undo
            </Button>
          )}
          <Link className="btn" to="/">
            Today
          </Link>
        </div>
      }
    >
      <fieldset className="mb-3 flex flex-wrap items-center gap-2">
        <legend className="float-left mr-3 py-2 text-ink2">Working today</legend>
        {all.map((name) => (
          <Button
            key={name}
            small
            aria-pressed={people.includes(name)}
            onClick={() => toggle(name)}
          >
            {name}
          </Button>
        ))}
      </fieldset>
      {(problem ?? moves.problem) && (
        <Failed message={(problem ?? moves.problem)!}>
          <Button onClick={plan}>Plan again</Button>
        </Failed>
      )}
      {!answer && !problem && <Waiting what="Planning the day" />}
      {answer && (
        <>
          <Says answer={answer} isGoingOn={planning === 'closely'} />
          {bars.length === 0 ? (
            <p className="py-10 text-center text-xl text-ink2">No work left to plan.</p>
          ) : (
            <>
              <div className="max-md:hidden">
                <Lanes
                  bars={bars}
                  people={answer.people}
                  fromMs={Date.parse(answer.at)}
                  onMove={(moved) => void moves.move(moved)}
                  onFree={(bar) => void moves.free(bar)}
                />
                <PlannedWheels bars={bars} />
              </div>
              <div className="md:hidden">
                <LaneList bars={bars} people={answer.people} />
              </div>
            </>
          )}
        </>
      )}
      <Spoken />
    </Frame>
  );
};
