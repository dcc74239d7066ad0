/** What a formula of a drawn shape may name: other formulas, what the shape can be bent by, and its own sizes. */
export interface FormulaScope {
  readonly equation: (name: string) => number;
  readonly modifier: (index: number) => number;
  readonly constant: (name: string) => number;
}

/** Deeper than any shape's formulas; one that names itself ends here. */
const deepest = 100;

const tokenForm = /\s*(?:(\d+(?:\.\d+)?(?:e[+-]?\d+)?)|\?(\w+)|\$(\d+)|([a-z]\w*)|(.))/giy;

/**
 * The value of a formula of an enhanced geometry (OpenDocument 1.3 part 3, 19.172 draw:formula): numbers, `?name` for
 * an equation, `$n` for a modifier, names of constants, the four operations, and functions.
 * @returns 0 for what cannot be read
 */
export function evaluateFormula(formula: string, scope: FormulaScope): number {
  const tokens = [...formula.matchAll(tokenForm)];
  let at = 0;
  let depth = 0;
  const sign = () => tokens[at]?.[5];
  const isNext = (wanted: string) => sign() === wanted && ++at > 0;

  const sum = (): number => {
    let value = product();
    for (;;) {
      if (isNext('+')) value += product();
      else if (isNext('-')) value -= product();
      else return value;
    }
  };
  const product = (): number => {
    let value = unary();
    for (;;) {
      if (isNext('*')) value *= unary();
      else if (isNext('/')) value /= unary() || 1;
      else return value;
    }
  };
  const unary = (): number => {
    if (++depth > deepest) return 0;
    if (isNext('-')) return -unary();
    if (isNext('+')) return unary();
    return primary();
  };
  const primary = (): number => {
    const [, number, equation, modifier, name] = tokens[at] ?? [];
    if (isNext('(')) {
      const value = sum();
      isNext(')');
      return value;
    }
    at++;
    if (number !== undefined) return Number(number);
    if (equation !== undefined) return scope.equation(equation);
    if (modifier !== undefined) return scope.modifier(Number(modifier));
    if (name === undefined) return 0;
    if (!isNext('(')) return name === 'pi' ? Math.PI : scope.constant(name);
    const given = [sum()];
    while (isNext(',')) given.push(sum());
    isNext(')');
    return callNamed(name, given);
  };
  const value = sum();
  return Number.isFinite(value) ? value : 0;
}

function callNamed(name: string, [a = 0, b = 0, c = 0]: readonly number[]): number {
  switch (name) {
    case 'if':
      return a > 0 ? b : c;
    case 'min':
      return Math.min(a, b);
    case 'max':
      return Math.max(a, b);
    case 'atan2':
      return Math.atan2(a, b);
    case 'abs':
    case 'sqrt':
    case 'sin':
    case 'cos':
    case 'tan':
    case 'atan':
      return Math[name](a);
    default:
      return 0;
  }
}
