/** Hundredths of a point, a whole number: sums of points are exact, and 2.5 points is 250. */
export type Hundredths = number;
