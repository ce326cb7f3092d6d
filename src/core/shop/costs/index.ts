/** Costs: what a visit will cost, and what it came to. */
export { estimate, type ChargedWheel, type Estimate } from './estimate';
