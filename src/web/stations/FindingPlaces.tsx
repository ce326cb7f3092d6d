import { FINDINGS, type FindingPlace, type Inspected } from '../../core/bench/inspect';
import { PlaceField } from '../shared/place';

/** Where on the wheel each finding is that has a place there; any may be left empty. */
export const FindingPlaces = ({
  part,
  found,
  places,
  onPlaces,
}: {
  part: Inspected;
  found: readonly string[];
  places: readonly FindingPlace[];
  onPlaces: (places: FindingPlace[]) => void;
}) => {
  const placed = FINDINGS[part].filter((f) => f.mark && found.includes(f.id));
  if (placed.length === 0) return null;
  const put = (finding: string, deg: number | null) => {
    const others = places.filter((p) => p.finding !== finding);
    onPlaces(deg === null ? others : [...others, { finding, deg }]);
  };
  return (
    <div className="mt-2 grid gap-3 sm:grid-cols-2">
      {placed.map((f) => (
        <PlaceField
          key={f.id}
          label={`Where: ${f.mark}, optional`}
          deg={places.find((p) => p.finding === f.id)?.deg ?? null}
          onPlace={(deg) => put(f.id, deg)}
        />
      ))}
    </div>
  );
};
