export function sendForm(
  address: string,
  to: string,
  fields: Record<string, string | readonly string[]>,
  from?: string,
): Promise<Response>;
