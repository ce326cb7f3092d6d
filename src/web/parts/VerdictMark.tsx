import type { Verdict } from '../../core/base/working';

const WORDS: Record<Verdict, string> = { good: 'Good', check: 'Check', stop: 'Stop' };
const COLOR: Record<Verdict, string> = {
  good: 'text-good',
  check: 'text-check',
  stop: 'text-stop',
};

/** The verdict's own shape: a full basin, a stone that may tip, a broken edge. */
export const VerdictShape = ({ verdict, size = 22 }: { verdict: Verdict; size?: number }) => (
  <svg
    viewBox="0 0 24 24"
    width={size}
    height={size}
    aria-hidden="true"
    className={`shrink-0 ${COLOR[verdict]}`}
  >
    {verdict === 'good' && (
      <path d="M3 8h18v5a8 8 0 0 1-8 8h-2a8 8 0 0 1-8-8z" fill="currentColor" />
    )}
    {verdict === 'check' && (
      <path d="M12 2 22 12 12 22 2 12z" fill="none" stroke="currentColor" strokeWidth="3.4" />
    )}
    {verdict === 'stop' && <path d="M3 4h18v6l-5 3 5 3v5H3v-5l5-3-5-3z" fill="currentColor" />}
  </svg>
);

/** A verdict by shape, word and color. */
export const VerdictMark = ({
  verdict,
  children,
}: {
  verdict: Verdict;
  children?: React.ReactNode;
}) => (
  <span className={`inline-flex items-start gap-2 font-semibold ${COLOR[verdict]}`}>
    <VerdictShape verdict={verdict} />
    <span>
      {WORDS[verdict]}
      {children && <span className="font-normal text-ink">: {children}</span>}
    </span>
  </span>
);
