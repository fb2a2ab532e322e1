const cache = new Map<string, Intl.DateTimeFormat>();

/** Which way of writing dates holds; the server asks the household's, a browser writes them the usual way. */
let locale = (): string => 'en-GB';
export const writeDatesFor = (of: () => string): void => {
  locale = of;
};

/** Format in a fixed zone, the household's way; formatters are kept. */
export function formatInTimeZone(at: Date, timeZone: string, options: Intl.DateTimeFormatOptions): string {
  const key = `${locale()}/${timeZone}/${JSON.stringify(options)}`;
  let format = cache.get(key);
  if (!format) cache.set(key, (format = new Intl.DateTimeFormat(locale(), { timeZone, ...options })));
  return format.format(at);
}
