import type { ReactNode } from 'react';
import { tubeDouble, tubeNeed } from '../../../core/fit/tubes';
import { tryRimCode } from '../../../core/fit/wheels';
import { attempt, worstOf, type Reason, type Working } from '../../../core/base/working';
import { ChoiceField } from '../../shared/fields';
import { useUnits } from '../../shared/quantity';
import { BriefReasons } from '../../shared/Reasons';
import { VerdictShape } from '../../parts/VerdictMark';
import { BasisTag } from '../../shared/working';
import { useJob } from '../../shared/job-context';
import { OldTube } from './OldTube';
import type { ChoiceAtHand } from './use-choice';

const Part = ({
  title,
  reasons,
  working,
  children,
  beside,
}: {
  title: string;
  reasons: readonly Reason[];
  working?: Working;
  children?: ReactNode;
  beside?: ReactNode;
}) => (
  <section className="border-b border-stone3 py-0.5">
    <div className="flex items-center gap-3">
      <VerdictShape verdict={worstOf(reasons)} size={18} />
      <h3 className="flex-1 text-[17px]">{title}</h3>
      {beside}
      {working && <BasisTag title={title} working={working} />}
    </div>
    {children}
    <BriefReasons reasons={reasons} />
  </section>
);

/** The tube or none, and the lock, strip and stem that go with it. */
export const PartsTab = ({ choice }: { choice: ChoiceAtHand }) => {
  const { wheel } = useJob();
  const { say } = useUnits();
  const { draft, change } = choice.drafting;
  const { picks, tubeFit } = choice.parts;
  const tire = choice.fits.compared.ok ? choice.fits.compared.working.result.changes[0]!.to : null;
  const need = attempt(tubeNeed, {
    build: wheel.build,
    tubelessMarked: wheel.tubelessMarked,
    sealed: wheel.sealed,
    safetyHump: tryRimCode(wheel.rimCode)?.hump ?? null,
    tire: tire?.tubeless === true ? 'TL' : tire?.tubeless === false ? 'TT' : 'not marked',
    tube: draft.tube,
  });
  const doubled =
    draft.tube && tire ? attempt(tubeDouble, { tire: draft.marking, wall: 'standard' }) : null;
  const tubes = picks?.tubes?.fits.filter((f) => f.fit !== 'no') ?? [];
  return (
    <div className="rows">
      <Part
        title={draft.tube ? 'With a tube' : 'Tubeless'}
        reasons={need.ok ? need.working.result.reasons : []}
        {...(need.ok ? { working: need.working } : {})}
      >
        <div className="grid grid-cols-[2fr_3fr] gap-3 pb-1">
          <ChoiceField
            label="Tube"
            value={draft.tube ? (draft.doubled ? 'doubled' : 'tube') : 'none'}
            onChange={(v) =>
              change({
                tube: v !== 'none',
                doubled: v === 'doubled',
                ...(draft.tube === (v !== 'none') ? {} : { tubeId: '' }),
              })
            }
            options={[
              ['tube', 'with a tube'],
              ['doubled', 'doubled, old one as sleeve'],
              ['none', 'tubeless'],
            ]}
          />
          {draft.tube && (
            <ChoiceField
              label="Which tube"
              value={tubeFit?.id ?? ''}
              onChange={(tubeId) => change({ tubeId })}
              options={[
                ...tubes.map((f) => [f.id, `${f.label} · ${f.inStock} left`] as const),
                ...(tubeFit ? [] : [['', 'none in stock fits'] as const]),
              ]}
            />
          )}
        </div>
      </Part>
      {draft.tube && (
        <Part
          title="This tube"
          reasons={
            tubeFit?.reasons ?? [{ verdict: 'stop', says: 'No tube in stock fits this tire.' }]
          }
          beside={<OldTube />}
        >
          {doubled?.ok && (
            <p className="text-[15px] text-ink2">
              An old tube as a sleeve stops pinch flats, not nails, and adds about{' '}
              {say(doubled.working.result.addedMassG, 'g')}{' '}
              <BasisTag title="an old tube as a sleeve" working={doubled.working} />
            </p>
          )}
        </Part>
      )}
      {picks?.lock &&
        (picks.lock.result.wanted > 0 ||
          wheel.rimLockDegs.length > 0 ||
          worstOf(picks.lock.result.reasons) !== 'good') && (
          <Part title="Rim lock" reasons={picks.lock.result.reasons} working={picks.lock} />
        )}
      {picks?.strip && picks.strip.result.wanted > 0 && (
        <Part
          title="Rim strip"
          reasons={[
            ...picks.strip.result.reasons,
            { verdict: 'good', says: `${picks.strip.result.order.join('. ')}.` },
          ]}
          working={picks.strip}
        />
      )}
      {picks?.stem && (
        <Part title="Valve stem" reasons={picks.stem.result.reasons} working={picks.stem} />
      )}
    </div>
  );
};
