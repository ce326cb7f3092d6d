import { Link } from 'react-router';
import { counted } from '../../../core/base/units';
import { useOrderListQuery } from '../../store/parts-api';

const ASK_MS = 20_000;

/** The parts to order and those on their way, in one line; nothing if every part is here. */
export const OrderLine = () => {
  const { data } = useOrderListQuery(undefined, {
    pollingInterval: ASK_MS,
    refetchOnMountOrArgChange: true,
  });
  if (!data || data.short.length + data.ordered.length === 0) return null;
  const short = data.short.reduce((n, p) => n + p.count, 0);
  return (
    <p className="mt-3 text-[18px]">
      <Link to="/orders">
        {short > 0 ? `${counted(short, 'part')} to order` : 'Parts'}
        {data.ordered.length > 0 && `${short > 0 ? ', ' : ': '}${data.ordered.length} on order`}
      </Link>
    </p>
  );
};
