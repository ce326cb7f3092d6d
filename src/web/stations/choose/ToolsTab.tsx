import { Reasons } from '../../parts/Reasons';
import type { ChoiceAtHand } from './use-choice';

/** What to lay out before the first bolt. */
export const ToolsTab = ({ at }: { at: ChoiceAtHand }) => {
  if (!at.tools) return <p className="py-4 text-ink2">Say first which tire goes on.</p>;
  const { groups, reasons } = at.tools.result;
  return (
    <div>
      <dl className="rows text-[15px] leading-snug">
        {groups.map((g) => (
          <div key={g.name} className="border-b border-stone3 py-1.5">
            <dt className="head text-[16px]">{g.name}</dt>
            <dd>
              {g.tools.map((t, i) => (
                <span key={t.what}>
                  {i > 0 && ' · '}
                  <span className="font-semibold">{t.what}</span> <span className="text-ink2">{t.why}</span>
                </span>
              ))}
            </dd>
          </div>
        ))}
      </dl>
      <Reasons reasons={reasons} className="mt-2" />
    </div>
  );
};
