import { lazy, Suspense, useCallback, useEffect, useState } from 'react';
import {
  FRICTIONS,
  SHELVES,
  standingOf,
  type Friction,
  type PracticeRound,
  type PracticeScore,
  type PracticeTried,
  type Shelf,
} from '../../core/practice';
import type { Working } from '../../core/working';
import { Button } from '../parts/Button';
import { Fallback } from '../parts/Fallback';
import { ChoiceField } from '../parts/fields';
import { Failed, Frame, Waiting } from '../parts/Frame';
import { useUnits } from '../parts/quantity';
import { useAddressTexts } from '../parts/use-address';
import { VerdictShape } from '../parts/VerdictMark';
import { useApp } from '../store';
import { api, ApiError } from '../store/api';
import { Outcome } from './practice/Outcome';
import { PracticeRun } from './practice/PracticeRun';

const ScoreChart = lazy(() => import('./practice/ScoreChart'));

const STANDS: Record<Friction, string> = { light: 'light bearings', usual: 'a usual stand', heavy: 'heavy bearings' };
const SHELF_WORDS: Record<Shelf, string> = {
  full: 'all pieces, 5 to 20 g',
  coarse: '10 and 20 g only',
  few: 'seven pieces in all',
};
const NAMES = ['wheel', 'stand', 'shelf'] as const;
const MOST_SEED = 1_000_000_000;

const oneOf = <T extends string>(value: string, all: readonly T[], usual: T): T =>
  all.find((v) => v === value) ?? usual;
const newSeed = (): string => String(crypto.getRandomValues(new Uint32Array(1))[0]! % MOST_SEED);
const seedOf = (text: string): number | null => (/^\d{1,9}$/.test(text) ? Number(text) : null);

/** Somebody's rounds at this level over time. */
const Scores = ({ rounds, level }: { rounds: readonly PracticeScore[]; level: string }) => {
  const { say } = useUnits();
  const standing = standingOf(rounds);
  if (rounds.length === 0) return <p className="text-ink2">No round yet with {level}.</p>;
  return (
    <>
      <p>
        {standing.rounds === 1 ? 'One round' : `${standing.rounds} rounds`} with {level}, {standing.balanced} balanced
        {standing.medianPlacements !== null && (
          <>
            ; in the middle <strong className="num">{standing.medianPlacements}</strong> placements, as advised{' '}
            <strong className="num">{standing.medianAdvised}</strong>
          </>
        )}
        .
      </p>
      {rounds.length > 1 && (
        <p className="mt-2 text-[15px] text-ink2">Placements round by round: yours in full, the advice’s dashed.</p>
      )}
      {rounds.length > 1 && (
        <Fallback instead={<p className="text-ink2">The chart could not be loaded.</p>}>
          <Suspense fallback={<p className="text-ink2">Drawing …</p>}>
            <ScoreChart rounds={rounds} />
          </Suspense>
        </Fallback>
      )}
      <ol className="mt-2 max-h-[280px] overflow-y-auto" tabIndex={0} aria-label="Rounds">
        {[...rounds].reverse().map((r) => (
          <li
            key={r.id}
            className="grid grid-cols-[28px_110px_1fr_auto] items-center gap-2 border-b border-stone3 py-1.5"
          >
            <VerdictShape verdict={r.within ? 'good' : 'check'} size={20} />
            <time className="num text-[15px] text-ink2" dateTime={r.at}>
              {r.at.slice(0, 10)}
            </time>
            <span>{r.who}</span>
            <span className="num">
              {r.placements} · {say(r.leftG, 'g', { digits: 1 })} left{r.within ? '' : ', not balanced'}
            </span>
          </li>
        ))}
      </ol>
    </>
  );
};

/**
 * Practice on a hidden wheel: one's own tries, then what the advice would have done with it, and the scores over time.
 */
export const PracticeScreen = () => {
  const who = useApp((s) => s.prefs.who);
  const [at, setAt] = useAddressTexts(NAMES);
  const friction = oneOf(at.stand, Object.keys(FRICTIONS) as Friction[], 'usual');
  const shelf = oneOf(at.shelf, Object.keys(SHELVES) as Shelf[], 'full');
  const seed = seedOf(at.wheel);
  const [rounds, setRounds] = useState<PracticeScore[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [sent, setSent] = useState<PracticeTried | null>(null);
  const [working, setWorking] = useState<Working<PracticeRound> | null>(null);

  const read = useCallback(async () => {
    try {
      setRounds((await api.practice()).rounds);
      setProblem(null);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(error.message);
    }
  }, []);
  useEffect(() => void read(), [read]);
  const send = async (tried: PracticeTried) => {
    setSent(tried);
    try {
      setWorking((await api.addPractice(tried)).working);
      setProblem(null);
      await read();
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(error.message);
    }
  };
  const begin = () => {
    setSent(null);
    setWorking(null);
    setAt({ wheel: newSeed() }, true);
  };
  const stop = () => {
    setSent(null);
    setWorking(null);
    setAt({ wheel: '' });
  };
  const level = `${STANDS[friction]}, ${SHELF_WORDS[shelf]}`;
  const mine = (rounds ?? []).filter((r) => r.friction === friction && r.shelf === shelf && r.who === who).reverse();
  const trying = seed !== null && sent === null;
  return (
    <Frame
      title={trying ? 'A hidden wheel' : 'Practice'}
      actions={seed !== null && <Button onClick={stop}>{trying ? 'Leave this wheel' : 'Back to the levels'}</Button>}
    >
      {problem && (
        <Failed message={problem}>
          <Button onClick={() => void (sent && !working ? send(sent) : read())}>
            {sent && !working ? 'Send the round again' : 'Try again'}
          </Button>
        </Failed>
      )}
      {trying && (
        <PracticeRun
          key={`${seed} ${friction} ${shelf}`}
          seed={seed}
          friction={friction}
          shelf={shelf}
          who={who}
          onDone={(tried) => void send(tried)}
        />
      )}
      {sent && !working && !problem && <Waiting what="Playing it as advised" />}
      {sent && working && (
        <>
          <Outcome working={working} tries={sent.tries} />
          <div className="my-5">
            <Button go onClick={begin}>
              Another wheel
            </Button>
          </div>
        </>
      )}
      {!trying && (
        <div className="grid gap-x-10 gap-y-5 lg:grid-cols-[380px_1fr]">
          {seed === null && (
            <section aria-label="The level" className="grid content-start gap-3">
              <p className="text-ink2">
                A wheel that nobody can look into, on a stand that turns on the screen. Balance it by hand, in as few
                placements as you can; then see what the advice would have done with the same wheel.
              </p>
              <ChoiceField
                label="The stand"
                value={friction}
                onChange={(stand) => setAt({ stand })}
                options={(Object.keys(FRICTIONS) as Friction[]).map((f) => [f, STANDS[f]] as const)}
              />
              <ChoiceField
                label="The shelf"
                value={shelf}
                onChange={(v) => setAt({ shelf: v })}
                options={(Object.keys(SHELVES) as Shelf[]).map((s) => [s, SHELF_WORDS[s]] as const)}
              />
              <Button go disabled={!who} onClick={begin}>
                Start a wheel
              </Button>
            </section>
          )}
          <section aria-label="Your rounds" className={seed === null ? '' : 'lg:col-span-2'}>
            <h2 className="mb-2 border-t-2 border-ink pt-2 text-[22px]">Your rounds</h2>
            {rounds ? <Scores rounds={mine} level={level} /> : !problem && <Waiting what="Reading the rounds" />}
          </section>
        </div>
      )}
    </Frame>
  );
};
