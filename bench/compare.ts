/** One line of the table. Machines are noisy, so every figure is a ratio against a baseline of the same run. */
export interface Figure {
  readonly name: string;
  readonly ratio: number;
  readonly goal: number;
  readonly better: 'higher' | 'lower';
}

export function median(numbers: readonly number[]): number {
  const sorted = [...numbers].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1
    ? (sorted[middle] as number)
    : ((sorted[middle - 1] as number) + (sorted[middle] as number)) / 2;
}

/** Measures both sides in turn, so that a slow moment of the machine hits both; gives the median of the ratios. */
export async function medianRatio(
  rounds: number,
  ours: () => number | Promise<number>,
  baseline: () => number | Promise<number>,
): Promise<number> {
  const ratios: number[] = [];
  for (let round = 0; round < rounds; round++) {
    const first = round % 2 === 0;
    const [a, b] = first
      ? [await ours(), await baseline()]
      : ([await baseline(), await ours()].reverse() as [number, number]);
    ratios.push(a / b);
  }
  return median(ratios);
}

/** Milliseconds that one call takes, over enough calls to be measured. */
export function timeOf(work: () => unknown, minMs = 150): number {
  let calls = 0;
  const start = performance.now();
  let elapsed = 0;
  while (elapsed < minMs) {
    work();
    calls++;
    elapsed = performance.now() - start;
  }
  return elapsed / calls;
}
