import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { cleanSlide } from './clean-slide.ts';
import { createReport } from './import-result.ts';
import { evaluateFormula, type FormulaScope } from './odf-formula.ts';
import { enhancedPath } from './odf-path.ts';
import { createPainter, drawShape, toPx } from './odp-shapes.ts';
import { allNamed, parseXml } from './xml.ts';

const names = [
  'xmlns:draw="urn:oasis:names:tc:opendocument:xmlns:drawing:1.0"',
  'xmlns:svg="urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0"',
  'xmlns:style="urn:oasis:names:tc:opendocument:xmlns:style:1.0"',
  'xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0"',
].join(' ');
const parse = (inner: string) => parseXml(Buffer.from(`<root ${names}>${inner}</root>`));

const scope: FormulaScope = {
  equation: (name) => ({ f0: 10, f1: 20 })[name] ?? 0,
  modifier: (index) => [100, 200][index] ?? 0,
  constant: (name) => ({ width: 300, left: -5 })[name] ?? 0,
};

test.each([
  ['1 + 2 * 3', 7],
  ['(1 + 2) * 3', 9],
  ['10 - 4 - 3', 3],
  ['-?f0 + $1', 190],
  ['?f0*?f1/2', 100],
  ['if(left, 1, 2)', 2],
  ['max(min(5, 3), sqrt(16))', 4],
  ['width - $0', 200],
  ['1/0', 1],
  ['sin(pi / 2) * 100', 100],
  ['nonsense(', 0],
])('the formula %s is %d', (formula, value) => expect(evaluateFormula(formula, scope)).toBeCloseTo(value, 9));

test('whatever a formula says, it ends, with a number', () => {
  const letters = fc.constantFrom(...'0123456789+-*/()?$f,if abs.'.split(''));
  fc.assert(
    fc.property(fc.string({ unit: letters, maxLength: 300 }), (formula) => {
      expect(Number.isFinite(evaluateFormula(formula, scope))).toBe(true);
    }),
  );
  expect(Number.isFinite(evaluateFormula('('.repeat(50_000), scope))).toBe(true);
});

/** Geometries as LibreOffice 7.4 writes them for its own shapes. */
describe('outlines of custom shapes', () => {
  const pathOf = (geometry: string) => {
    const [element] = allNamed(parse(`<draw:custom-shape>${geometry}</draw:custom-shape>`), 'enhanced-geometry');
    return element ? enhancedPath(element, { width: 100, height: 50 }) : null;
  };

  test('an arrow to the right, from its formulas and what it is bent by', () => {
    const path = pathOf(`<draw:enhanced-geometry svg:viewBox="0 0 21600 21600" draw:type="right-arrow"
      draw:modifiers="16200 5400" draw:enhanced-path="M 0 ?f0 L ?f1 ?f0 ?f1 0 21600 10800 ?f1 21600 ?f1 ?f2 0 ?f2 Z N">
      <draw:equation draw:name="f0" draw:formula="$1 "/><draw:equation draw:name="f1" draw:formula="$0 "/>
      <draw:equation draw:name="f2" draw:formula="21600-$1 "/></draw:enhanced-geometry>`);
    expect(path?.d).toBe('M 0 5400 L 16200 5400 16200 0 21600 10800 16200 21600 16200 16200 0 16200 Z');
    expect(path?.viewBox).toEqual([0, 0, 21_600, 21_600]);
  });

  test('an ellipse is a whole turn, in two halves', () => {
    const path = pathOf(`<draw:enhanced-geometry svg:viewBox="0 0 21600 21600" draw:type="ellipse"
      draw:enhanced-path="U 10800 10800 10800 10800 0 360 Z N"/>`);
    expect(path?.d).toBe('M 21600 10800 A 10800 10800 0 0 1 0 10800 A 10800 10800 0 0 1 21600 10800 Z');
  });

  test('quarters leave along the axis they should', () => {
    const path = pathOf(
      `<draw:enhanced-geometry svg:viewBox="0 0 100 100" draw:enhanced-path="M 0 20 Y 20 0 L 80 0 X 100 20 Z N"/>`,
    );
    expect(path?.d).toBe('M 0 20 A 20 20 0 0 1 20 0 L 80 0 A 20 20 0 0 1 100 20 Z');
  });

  test('formulas that lead to themselves end, and a command nobody knows is no path', () => {
    const circle = pathOf(`<draw:enhanced-geometry draw:enhanced-path="M ?a 0 L ?b 9 Z N">
      <draw:equation draw:name="a" draw:formula="?b + 1"/><draw:equation draw:name="b" draw:formula="?a + 1"/>
      </draw:enhanced-geometry>`);
    expect(circle?.d).toMatch(/^M -?\d+ 0 L -?\d+ 9 Z$/);
    expect(pathOf('<draw:enhanced-geometry draw:enhanced-path="M 0 0 G 1 2 3 4 N"/>')).toBeNull();
  });
});

describe('shapes at their places', () => {
  const styles = `<style:style style:name="base"><style:graphic-properties draw:fill-color="#e07a5f" draw:stroke="none"/></style:style>
    <style:style style:name="own" style:parent-style-name="base"><style:graphic-properties draw:stroke="solid"
      svg:stroke-color="#7a1f1f" svg:stroke-width="0.1cm" draw:marker-end="Arrow" draw:opacity="50%"/></style:style>
    <style:style style:name="circle" style:parent-style-name="circle"/>`;
  const draw = (shape: string, words = '') => {
    const document = parse(`${styles}<page>${shape}</page>`);
    const element = allNamed(document, 'page')[0]?.firstChild as never;
    const html = drawShape(element, createPainter([document])(element), words);
    return html && cleanSlide(html, createReport());
  };

  test('a box is painted as its style and the style before it say, and carries its words', () => {
    const html = draw(
      '<draw:rect draw:style-name="own" svg:x="2.54cm" svg:y="1in" svg:width="50.8mm" svg:height="72pt"/>',
      '<p>Magma</p>',
    );
    expect(html).toContain('left:96px');
    expect(html).toContain('top:96px');
    expect(html).toContain('width="192" height="96"');
    expect(html).toContain('fill="#e07a5f" fill-opacity="0.5" stroke="#7a1f1f" stroke-width="3.8"');
    expect(html).toContain('<p>Magma</p>');
  });

  test('a line ends in an arrow, a turned shape is turned the other way round', () => {
    expect(draw('<draw:line draw:style-name="own" svg:x1="0cm" svg:y1="0cm" svg:x2="10cm" svg:y2="0cm"/>')).toContain(
      '<polygon points="378,0',
    );
    const turned = draw(
      '<draw:ellipse draw:style-name="own" svg:width="1cm" svg:height="1cm" draw:transform="rotate (1.5707963) translate (2cm 3cm)"/>',
    );
    expect(turned).toContain('rotate(-90deg)');
    expect(turned).toContain('left:75.6px');
  });

  test('nothing of another kind comes in by way of a shape', () => {
    const path = draw(
      '<draw:path draw:style-name="own" svg:width="1cm" svg:height="1cm" svg:viewBox="0 0 9 9" svg:d="M0 0&quot; onload=&quot;x()"/>',
    );
    expect(path).not.toContain('onload=');
    expect(draw('<draw:polygon svg:width="1cm" svg:height="1cm" svg:viewBox="url(x)" draw:points="0,0"/>')).toBeNull();
    expect(draw('<draw:measure svg:width="1cm" svg:height="1cm"/>')).toBeNull();
    // A style that is its own parent ends.
    expect(draw('<draw:rect draw:style-name="circle" svg:width="1cm" svg:height="1cm"/>')).toContain('fill="none"');
  });

  test('lengths in all their units (ODF 1.3 part 3, 18.3.18)', () => {
    expect([toPx('2.54cm'), toPx('25.4mm'), toPx('1in'), toPx('72pt'), toPx(null)]).toEqual([96, 96, 96, 96, 0]);
  });
});
