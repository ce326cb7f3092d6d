/** Inspecting: what may be found with the tire off, and whether the job may go on. */
export {
  tubeInspect,
  beadInspect,
  bearingCheck,
  inspectionOf,
  FINDINGS,
  INSPECTED,
  INSPECTED_WORDS,
  type Finding,
  type FindingPlace,
  type Inspected,
  type InspectionResult,
} from './findings';
