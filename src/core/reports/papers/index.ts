/** Papers: what a rider takes home. */
export {
  riderPaper,
  type PaperJob,
  type PaperPhoto,
  type PaperWheel,
  type RiderPaper,
} from './rider-paper';
