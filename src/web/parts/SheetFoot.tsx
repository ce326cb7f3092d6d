import { Button } from './Button';

interface Props {
  /** The label of the button that saves: `Save readings`. */
  keeps: string;
  onKeep: () => void;
  /** Why it was not kept; null where it was, or no one tried. */
  problem: string | null;
}

/**
 * The bar at the end of a sheet that stays in sight: the one button that keeps, and the sentence
 * that says why not.
 */
export const SheetFoot = ({ keeps, onKeep, problem }: Props) => (
  <div className="sticky bottom-0 mt-4 flex flex-wrap items-center gap-3 border-t border-stone3 bg-stone py-3">
    <Button go onClick={onKeep}>
      {keeps}
    </Button>
    {problem && (
      <p role="alert" className="text-stop">
        {problem}
      </p>
    )}
  </div>
);
