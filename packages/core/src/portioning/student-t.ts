import jstat from 'jstat';

/**
 * Quantile of Student's t.
 * @param share one-sided, 0.5 to 1
 * @param freedom degrees of freedom, 1 or more
 */
export const studentT = (share: number, freedom: number): number => jstat.studentt.inv(share, freedom);
