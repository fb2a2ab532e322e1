// Sends a form as a page would: with the key and the version that its page carries. Node built-ins only.
const hidden = (html, name) => new RegExp(`name="${name}" value="([^"]*)"`).exec(html)?.[1];

/**
 * Open the page `from` (where the form stands; the address it is sent to when not said), take its hidden fields, and send `fields`.
 * Lists of values are sent as several fields of one name. Answers the response; redirects are not followed.
 */
export async function sendForm(address, to, fields, from = to) {
  const page = await (await fetch(address + from)).text();
  const key = hidden(page, 'form-key') ?? hidden(await (await fetch(`${address}/pieces/new`)).text(), 'form-key');
  const carried = { 'form-key': key };
  for (const name of ['seen', 'plan', 'decision']) {
    const value = hidden(page, name);
    if (value !== undefined) carried[name] = value;
  }
  const body = new URLSearchParams();
  for (const [name, value] of Object.entries({ ...carried, ...fields }))
    for (const one of [value].flat()) body.append(name, one);
  return fetch(address + to, { method: 'POST', body, headers: { origin: address }, redirect: 'manual' });
}
