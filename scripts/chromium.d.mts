/** The path of the browser that journeys and benchmarks run in. */
export function chromiumPath(): string;
