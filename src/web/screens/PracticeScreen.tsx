import { valueWord } from '../../core/base/value-words';
import { nanoid } from '@reduxjs/toolkit';
import { useState, type FC } from 'react';
import {
  MAX_SEED,
  PRACTICE,
  PRACTICE_KINDS,
  type BalancePlayed,
  type Played,
  type PracticeKind,
  type PracticeTried,
} from '../../core/practice';
import type { Working } from '../../core/base/working';
import { Button } from '../parts/Button';
import { ChoiceField } from '../shared/fields';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { WheelIcon } from '../pictures/WheelIcon';
import { PRACTICE_PICTURES } from './practice/practice-pictures';
import { useAddressTexts } from '../parts/use-address';
import { useApp } from '../store';
import { useAddPracticeMutation, usePracticeQuery } from '../store/practice-api';
import { serverProblem } from '../shared/server-problem';
import { AirRun } from './practice/AirRun';
import { BalanceOutcome } from './practice/BalanceOutcome';
import { BalanceRun } from './practice/BalanceRun';
import { Debrief } from './practice/Debrief';
import { Learner } from './practice/Learner';
import { LeakRun } from './practice/LeakRun';
import { LeversRun } from './practice/LeversRun';
import { PairRun } from './practice/PairRun';
import { RingRun } from './practice/RingRun';
import type { RunProps } from './practice/run-props';
import { Scores } from './practice/Scores';
import { ShowMine } from './practice/ShowMine';
import { ShownPeople } from './practice/ShownPeople';
import { SidewallRun } from './practice/SidewallRun';
import { TrueRun } from './practice/TrueRun';
import { forgetRound, leftRound, type RoundAt } from './practice/use-round';

const NAMES = ['kind', 'level', 'wheel'] as const;
const RUNS: Record<PracticeKind, FC<RunProps>> = {
  sidewall: SidewallRun,
  levers: LeversRun,
  air: AirRun,
  leak: LeakRun,
  true: TrueRun,
  ring: RingRun,
  pair: PairRun,
  balance: BalanceRun,
};

const newSeed = (): string => String(crypto.getRandomValues(new Uint32Array(1))[0]! % MAX_SEED);
const seedOf = (text: string): number | null => (/^\d{1,9}$/.test(text) ? Number(text) : null);

/** A round that was sent in; its working once it is scored. */
interface Sent {
  tried: PracticeTried;
  working: Working<Played> | null;
}

const Outcome = ({ tried, working }: { tried: PracticeTried; working: Working<Played> }) =>
  tried.kind === 'balance' ? (
    <BalanceOutcome working={working as Working<BalancePlayed>} tries={tried.acts as never} />
  ) : (
    <Debrief kind={tried.kind} working={working} />
  );

/**
 * Practice on hidden wheels: one's own work, then what the advice would have done, and how one does
 * over time.
 */
export const PracticeScreen = () => {
  const who = useApp((s) => s.prefs.who);
  const [at, setAt] = useAddressTexts(NAMES);
  const kind = PRACTICE_KINDS.find((k) => k === at.kind) ?? 'levers';
  const { title, does, levels } = PRACTICE[kind];
  const level = levels.find((l) => l === at.level) ?? levels[0]!;
  const seed = seedOf(at.wheel);
  const { currentData: own, error: unread, refetch } = usePracticeQuery(who, { skip: !who });
  const [add, { error: unsent, reset }] = useAddPracticeMutation();
  const [sent, setSent] = useState<Sent | null>(null);
  const rounds = own?.rounds ?? (who ? null : []);
  const problem = unsent ?? unread;

  const send = async (tried: PracticeTried) => {
    setSent({ tried, working: null });
    const { data } = await add(tried);
    if (!data) return;
    setSent({ tried, working: data.working });
    forgetRound();
  };
  const go = (to: Partial<Record<(typeof NAMES)[number], string>>, push = true) => {
    setSent(null);
    reset();
    setAt({ wheel: '', ...to }, push);
  };
  const left = seed === null ? leftRound(who) : null;
  const round: RoundAt | null = seed !== null && sent === null ? { kind, level, seed } : null;
  const Run = RUNS[kind];
  const mine = (rounds ?? []).filter((r) => r.kind === kind && r.level === level).reverse();
  return (
    <Frame
      title={seed === null ? 'Practice' : `${title}: ${valueWord(level)}`}
      actions={
        seed !== null && (
          <Button onClick={() => go({})}>{round ? 'Quit round' : 'Back to the bench'}</Button>
        )
      }
    >
      {problem && (
        <Failed message={serverProblem(problem)}>
          <Button onClick={() => void (sent && !sent.working ? send(sent.tried) : refetch())}>
            {sent && !sent.working ? 'Send the results again' : 'Try again'}
          </Button>
        </Failed>
      )}
      {round && (
        <Run
          key={`${kind} ${level} ${seed}`}
          at={round}
          who={who}
          onDone={(acts, tookS) => void send({ id: nanoid(), who, ...round, acts, tookS })}
        />
      )}
      {sent && !sent.working && !problem && <Waiting what="Playing the advised moves" />}
      {sent?.working && (
        <>
          <Outcome tried={sent.tried} working={sent.working} />
          <div className="my-5 flex flex-wrap gap-3">
            <Button go onClick={() => go({ wheel: newSeed() })}>
              Another wheel
            </Button>
            <Button onClick={() => go({ wheel: at.wheel })}>Same wheel again</Button>
          </div>
        </>
      )}
      {seed === null && (
        <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[400px_1fr]">
          <section aria-label="The round" className="grid content-start gap-3">
            <ChoiceField
              label="Work"
              value={kind}
              onChange={(v) => go({ kind: v, level: '' }, false)}
              options={PRACTICE_KINDS.map((k) => [k, PRACTICE[k].title] as const)}
            />
            <ChoiceField
              label="Level"
              value={level}
              onChange={(v) => go({ level: v }, false)}
              options={levels.map((l) => [l, valueWord(l)] as const)}
            />
            <WheelIcon {...PRACTICE_PICTURES[kind]} className="mx-auto size-56 max-sm:size-40" />
            <p className="text-ink2">{does} Then see the advised moves for the same wheel.</p>
            <Button go disabled={!who} onClick={() => go({ wheel: newSeed() })}>
              Start round
            </Button>
            {left && (
              <Button
                onClick={() => go({ kind: left.kind, level: left.level, wheel: String(left.seed) })}
              >
                Resume your last round: {PRACTICE[left.kind].title}, {valueWord(left.level)}
              </Button>
            )}
          </section>
          <section aria-label="Your progress">
            <h2 className="mb-2 border-t-2 border-ink pt-2 text-[22px]">Your progress</h2>
            {rounds ? (
              <>
                <Learner
                  rounds={rounds}
                  onTry={(next) => go({ kind: next.kind, level: next.level, wheel: newSeed() })}
                />
                {own && <ShowMine who={who} isShown={own.isShown} />}
              </>
            ) : (
              !problem && <Waiting what="Loading rounds" />
            )}
          </section>
        </div>
      )}
      {!round && rounds && (
        <section aria-label="Your rounds" className="mt-6">
          <h2 className="mb-2 border-t-2 border-ink pt-2 text-[22px]">
            {title}: {valueWord(level)}
          </h2>
          <Scores kind={kind} level={level} rounds={mine} />
        </section>
      )}
      {seed === null && <ShownPeople />}
    </Frame>
  );
};
