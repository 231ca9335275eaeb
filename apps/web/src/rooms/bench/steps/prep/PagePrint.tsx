/** Puts a name and page numbers into the margins of every printed page. */
export function PagePrint({ name }: { readonly name: string }) {
  // A string of CSS: what could end it, or the rule, is escaped.
  const text = name.replace(/["\\<>{}\n]/g, (c) => `\\${c.charCodeAt(0).toString(16)} `);
  return (
    <style>{`@page { @top-left { content: "${text}"; } @top-right { content: "Page " counter(page) " of " counter(pages); } }`}</style>
  );
}
