const ESCAPES: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

/** Words as XML and HTML take them, between tags and in attributes. */
export const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => ESCAPES[sign]!);
