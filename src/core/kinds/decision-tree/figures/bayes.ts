/**
 * What a test tells: from how likely each state is before it, and how likely each result is in each state. `likelihood[r][s]` is the probability of result r
 * when the state is s. Bayes' rule.
 */
export function afterTest(
  prior: readonly number[],
  likelihood: readonly (readonly number[])[],
): {
  /** How likely each result is. */
  readonly results: readonly number[];
  /** `posterior[r][s]`: how likely state s is after result r; as before where the result never comes. */
  readonly posterior: readonly (readonly number[])[];
} {
  const results = likelihood.map((row) => row.reduce((sum, p, s) => sum + p * (prior[s] ?? 0), 0));
  const posterior = likelihood.map((row, r) =>
    prior.map((p, s) => (results[r]! > 0 ? (p * (row[s] ?? 0)) / results[r]! : p)),
  );
  return { results, posterior };
}
