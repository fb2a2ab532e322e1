const cache = new Map<string, Intl.DateTimeFormat>();

/** Format in a fixed zone and in British English; formatters are kept. */
export function formatInTimeZone(at: Date, timeZone: string, options: Intl.DateTimeFormatOptions): string {
  const key = `${timeZone}/${JSON.stringify(options)}`;
  let format = cache.get(key);
  if (!format) cache.set(key, (format = new Intl.DateTimeFormat('en-GB', { timeZone, ...options })));
  return format.format(at);
}
