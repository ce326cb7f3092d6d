import { Button } from '../../parts/Button';

/**
 * Another shop has taken the place of the one that was here: where that is kept, and on to the new
 * one.
 */
export const KeptShop = ({
  done,
  kept,
  goes,
  onGo,
}: {
  /** The result, as a sentence. */
  done: string;
  /** The place of the shop before; empty if there was none. */
  kept: string;
  goes: string;
  onGo: () => void;
}) => (
  <>
    <p role="status" className="text-[18px]">
      {done} {kept !== '' && 'The previous shop is saved as'}
    </p>
    {kept !== '' && <p className="num mt-1 text-[16px] [overflow-wrap:anywhere]">{kept}</p>}
    <div className="mt-4">
      <Button go onClick={onGo}>
        {goes}
      </Button>
    </div>
  </>
);
