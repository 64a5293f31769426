/**
 * From the parameter of a point along a real segment to its fraction of the segment's length on paper, and back, given both ends'
 * depths: p(λ) = ((1−λ)·t_A·p_A + λ·t_B·p_B)/((1−λ)·t_A + λ·t_B).
 */
export const paperFraction = (along: number, depthA: number, depthB: number): number =>
  (along * depthB) / ((1 - along) * depthA + along * depthB);

/** The inverse of paperFraction. */
export const realFraction = (fraction: number, depthA: number, depthB: number): number =>
  (fraction * depthA) / ((1 - fraction) * depthB + fraction * depthA);
