import { useMemo } from 'react';
import { useTheme } from '../theme.ts';

const names = [
  'card',
  'line',
  'edge',
  'ink',
  'quiet',
  'main',
  'main-tint',
  'marigold',
  'spruce',
  'brick',
  'slate',
] as const;
export type ChartColour = (typeof names)[number];

/** The colours of the house as a canvas takes them, read anew when the theme changes. */
export function useChartColours(): Readonly<Record<ChartColour, string>> {
  const { theme } = useTheme();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the style sheet says other colours in another theme
  return useMemo(() => {
    const style = getComputedStyle(document.documentElement);
    return Object.fromEntries(names.map((name) => [name, style.getPropertyValue(`--color-${name}`).trim()])) as Record<
      ChartColour,
      string
    >;
  }, [theme]);
}

/** Of the axes and words of every chart. */
export const chartFont = { family: '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif', size: 13 } as const;
