export { planProof } from './plan-proof';
export type { ProofPlan, SuspectNode } from './plan-proof';
export { proveRendering } from './prove';
export type { ProofGround } from './prove';
export { readBack } from './read-back';
export type { ReadBack } from './read-back';
