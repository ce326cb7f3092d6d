import { useState } from 'react';
import { useJob } from '../../shared/job-context';
import { ChoiceField, QuantityField, TextField } from '../../shared/fields';
import { useUnits } from '../../shared/quantity';
import { Reasons } from '../../shared/Reasons';
import { Sheet } from '../../parts/Sheet';
import { SheetFoot } from '../../parts/SheetFoot';
import { BasisTag } from '../../shared/working';
import { ChainPicture } from './ChainPicture';
import { adjustText, turnsText } from './turns-text';
import { GAPS, useChain, type ChainAtHand } from './use-chain';

/** The turns of the adjusters, large, with the reasons. */
const Found = ({ chain, align }: Pick<ChainAtHand, 'chain' | 'align'>) => {
  const { say } = useUnits();
  const slack = chain?.ok ? chain.working : null;
  const straight = align?.ok ? align.working : null;
  const problem = [chain, align].find((f) => f && !f.ok);
  return (
    <div className="min-h-[70px]" aria-live="polite">
      {slack && (
        <>
          <p className="head text-[28px]">
            {slack.result.turns === null
              ? `Axle ${say(Math.abs(slack.result.axleMoveMm), 'mm', { digits: 2 })} ${slack.result.axleMoveMm < 0 ? 'forward' : 'back'}.`
              : adjustText(slack.result.turns)}
          </p>
          {slack.result.turns !== 0 && (
            <p className="mb-1">
              Then <span className="num">{say(slack.result.slackAfterMm, 'mm')}</span> of slack.{' '}
              <BasisTag title="the slack" working={slack}>
                math
              </BasisTag>
            </p>
          )}
          <Reasons reasons={slack.result.reasons} />
        </>
      )}
      {straight && (
        <div className="mt-2 border-t border-stone3 pt-2">
          <Reasons reasons={straight.result.reasons} />
          {straight.verdict !== 'good' && (
            <p className="text-[16px]">
              {(
                [
                  ['Left', straight.result.leftMoveMm, straight.result.leftTurns],
                  ['Right', straight.result.rightMoveMm, straight.result.rightTurns],
                ] as const
              )
                .filter(([, mm]) => Math.abs(mm) > 0.01)
                .map(
                  ([word, mm, turns]) =>
                    `${word} adjuster ${turns === null ? say(Math.abs(mm), 'mm', { digits: 1 }) : turnsText(turns)} ${mm > 0 ? 'back' : 'forward'}`,
                )
                .join(', ')}
              . Slack won’t change.{' '}
              <BasisTag title="the alignment" working={straight}>
                math
              </BasisTag>
            </p>
          )}
        </div>
      )}
      {problem && !problem.ok && <p className="text-stop">{problem.problem.message}</p>}
      {!slack && !straight && !problem && (
        <p className="text-ink2">
          Total play at mid-run of the lower chain, on the stand the manual names, at the tightest
          place.
        </p>
      )}
    </div>
  );
};

/** Slack of chain or belt, and the marks of its adjusters, before and after. */
export const ChainSheet = ({ onDone }: { onDone: () => void }) => {
  const { state, write } = useJob();
  const { label } = useUnits();
  const { typed, put, slack, marks, chain, align, writings } = useChain();
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async () => {
    const what = writings();
    if ('problem' in what) return setProblem(what.problem);
    setProblem(null);
    if (!(await write(what.write, 'Slack saved.'))) return;
    // What comes next is the slack after it was adjusted.
    put({ when: 'after', places: '' });
    onDone();
  };
  return (
    <Sheet title="Chain slack and alignment" closes="Close chain sheet" widthPx={680} footed>
      <Found chain={chain} align={align} />
      <ChainPicture
        before={typed.when === 'before' ? (slack ?? state.slack.before) : state.slack.before}
        after={typed.when === 'after' ? (slack ?? state.slack.after) : state.slack.after}
        marks={marks}
        className="mx-auto my-2 max-w-[520px]"
      />
      <div className="grid gap-3 sm:grid-cols-2">
        <TextField
          label={`Slack at the tightest place, in ${label('mm')}`}
          value={typed.places}
          maxLength={60}
          onChange={(places) => put({ places })}
          hint="several places, separated by spaces; the tightest counts"
          autoFocus
        />
        <ChoiceField
          label="When"
          value={typed.when}
          onChange={(v) => put({ when: v as typeof typed.when })}
          options={[
            ['before', 'before adjusting'],
            ['after', 'after adjusting'],
          ]}
        />
        <QuantityField
          label="Spec, min"
          unit="mm"
          value={typed.least}
          onChange={(least) => put({ least })}
        />
        <QuantityField
          label="Spec, max"
          unit="mm"
          value={typed.most}
          onChange={(most) => put({ most })}
        />
        <QuantityField
          label="Free chain run"
          unit="mm"
          value={typed.run}
          onChange={(run) => put({ run })}
        />
        <QuantityField
          label="Adjuster thread pitch"
          unit="mm"
          value={typed.pitch}
          onChange={(pitch) => put({ pitch })}
          hint="gives the turns"
        />
        <ChoiceField
          label="Align by"
          value={typed.by}
          onChange={(v) => put({ by: v as typeof typed.by })}
          options={[
            ['marks', 'the marks of the adjusters'],
            ['string', 'a string along both wheels'],
          ]}
        />
        <QuantityField
          label="Adjuster spacing"
          unit="mm"
          value={typed.span}
          onChange={(span) => put({ span })}
        />
        {typed.by === 'marks' ? (
          <>
            <QuantityField
              label="Left mark"
              unit="mm"
              value={typed.left}
              onChange={(left) => put({ left })}
            />
            <QuantityField
              label="Right mark"
              unit="mm"
              value={typed.right}
              onChange={(right) => put({ right })}
            />
          </>
        ) : (
          <>
            {GAPS.map(([key, label]) => (
              <QuantityField
                key={key}
                label={label}
                unit="mm"
                value={typed[key]}
                onChange={(v) => put({ [key]: v })}
                hint="from the string to the front tire"
              />
            ))}
            <QuantityField
              label="Wheelbase"
              unit="mm"
              value={typed.wheelbase}
              onChange={(wheelbase) => put({ wheelbase })}
            />
          </>
        )}
        <ChoiceField
          label="Chain side"
          value={typed.side}
          onChange={(v) => put({ side: v as typeof typed.side })}
          options={[
            ['left', 'left'],
            ['right', 'right'],
          ]}
        />
      </div>
      <SheetFoot keeps="Save" onKeep={() => void keep()} problem={problem} />
    </Sheet>
  );
};
