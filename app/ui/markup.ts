/** Text as it stands in markup that is put together without React: in content and in quoted attributes. */
export const escaped = (text: string): string =>
  text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);
