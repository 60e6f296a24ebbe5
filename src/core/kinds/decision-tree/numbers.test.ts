import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyDecision } from './model';
import { formatAmount, formatProbability, parseAmount, parseNumber, parseProbability, plainNumber } from './numbers';

describe('numbers as people write them', () => {
  it.each([
    ['-18,000', -18000],
    ['−18 000', -18000],
    ['18.000,50', 18000.5],
    ["1'250.5", 1250.5],
    ['(2,000)', -2000],
    ['3,5', 3.5],
    ['0,125', 0.125],
    ['1,250', 1250],
    ['1.250', 1.25],
    ['1,234,567', 1234567],
    ['+7', 7],
    ['.5', 0.5],
  ])('%s is %d', (text, value) => expect(parseNumber(text)).toBe(value));
  it.each(['', 'x', '1,2,3', '12 apples', '1.2.3', '--3', '1,23,456', '-', '(-)'])('“%s” is none', (text) =>
    expect(parseNumber(text)).toBeNull(),
  );
  it.each([
    ['£4,000', 4000, '£'],
    ['-£2,000', -2000, '£'],
    ['4000 €', 4000, '€'],
    ['EUR 12.50', 12.5, 'EUR'],
    ['7', 7, ''],
  ])('%s is an amount in its unit', (text, value, unit) => expect(parseAmount(text)).toEqual({ value, unit }));
  it.each([
    ['0.3', 0.3],
    [',3', 0.3],
    ['30 %', 0.3],
    ['30%', 0.3],
    ['3/10', 0.3],
    ['1 / 4', 0.25],
    ['-0.2', -0.2],
  ])('%s is a probability', (text, value) => expect(parseProbability(text)).toBeCloseTo(value, 15));
  it('a share of nothing is none', () => expect(parseProbability('1/0')).toBeNull());
  it('what is written is read back as it was', () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true, min: -1e12, max: 1e12 }), (value) => {
        expect(parseNumber(plainNumber(value))).toBe(value === 0 ? 0 : value);
      }),
    );
  });
});

describe('amounts in the drawing', () => {
  const manner = { ...emptyDecision.manner, unit: '£' };
  it('have their unit before or after, and a real minus', () => {
    expect(formatAmount(-18000, manner)).toBe('−£18\u2009000');
    expect(formatAmount(-18000, { ...manner, unit: 'days', unitPlace: 'after' })).toBe('−18\u2009000 days');
    expect(formatAmount(12.5, { ...manner, unit: 'EUR', decimals: 2 })).toBe('EUR 12.50');
    expect(formatAmount(4000, { ...manner, unit: '' })).toBe('4000');
  });
  it('what rounds to nothing has no minus', () => expect(formatAmount(-0.2, manner)).toBe('£0'));
  it('probabilities have four figures at most', () => {
    expect(formatProbability(1 / 3)).toBe('0.3333');
    expect(formatProbability(0.3)).toBe('0.3');
  });
});
