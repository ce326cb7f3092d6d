import { Sheet } from '../parts/Sheet';
import { Photos } from './Photos';

/**
 * The places of spacers, washers and adjuster blocks: photographed as they come off, looked at as
 * they go back.
 */
export const PlacementPhotosSheet = () => (
  <Sheet title="Placement photos" closes="Close photos" widthPx={640}>
    <p className="text-ink2">
      Left and right differ. These photos show when the wheel goes back on.
    </p>
    <Photos part={null} name="Placement photos" />
  </Sheet>
);
