import { Sheet } from '../parts/Sheet';
import { Photos } from './Photos';

/**
 * How spacers, washers and adjuster blocks sat: photographed as they come off, looked at as they go
 * back.
 */
export const PlacementPhotosSheet = () => (
  <Sheet title="How it sat" closes="Close the photographs" widthPx={640}>
    <p className="text-ink2">
      Left and right differ. What is photographed here stands here when the wheel goes back.
    </p>
    <Photos part={null} name="How it sat" />
  </Sheet>
);
