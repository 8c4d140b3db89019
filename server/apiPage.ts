interface Operation {
  readonly summary: string;
  readonly 'x-role': string;
  readonly 'x-record': string | null;
  readonly 'x-most-seconds': number | null;
  readonly parameters?: readonly { readonly name: string; readonly in: string; readonly schema: unknown }[];
  readonly requestBody?: { readonly content: Readonly<Record<string, { readonly schema: unknown }>> };
}

const escape = (text: string): string => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);
const code = (value: unknown): string =>
  `<pre style="overflow:auto">${escape(JSON.stringify(value, null, 2))}</pre>`;

function door(method: string, path: string, o: Operation): string {
  const query = (o.parameters ?? []).filter((p) => p.in === 'query');
  return `<details><summary><code>${method.toUpperCase()} ${escape(path)}</code> ${escape(o.summary)}</summary>
<p>Open to a ${escape(o['x-role'])}${o['x-role'] === 'manager' ? '' : ', and to who may do more'}.${o['x-record'] ? ` On record: ${escape(o['x-record'])}.` : ''}${o['x-most-seconds'] === null ? '' : ` Ends after ${o['x-most-seconds']} s.`}</p>
${query.length > 0 ? `<h3>Query</h3>${code(Object.fromEntries(query.map((p) => [p.name, p.schema])))}` : ''}
${Object.entries(o.requestBody?.content ?? {})
  .map(([media, { schema }]) => `<h3>Body, ${escape(media)}</h3>${code(schema)}`)
  .join('')}</details>`;
}

/** The description of the doors as a page that needs nothing else: it is read where there is no net. */
export function apiPage(description: Record<string, unknown>): string {
  const paths = description.paths as Record<string, Record<string, Operation>>;
  const doors = Object.entries(paths)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .flatMap(([path, operations]) => Object.entries(operations).map(([method, o]) => door(method, path, o)));
  return `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Fox Button: what the server answers</title>
<body style="max-width:60rem;margin:2rem auto;padding:0 1rem;font:16px/1.5 sans-serif;color:#1e2a2c;background:#f7f4ea">
<h1>What the server answers</h1><p>${doors.length} doors under <code>/api</code>; the same as <a href="/api/openapi.json">OpenAPI 3.1</a>.</p>
${doors.join('\n')}</body></html>`;
}
