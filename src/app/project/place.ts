/** What an address `/project/<id>/<stage>` names; null where it names nothing, or is not to be read. */
export function placeOf(address: string): { readonly id: string; readonly stage: string } | null {
  const [, first, id, stage, ...more] = address.split('/');
  if (first !== 'project' || !id || !stage || more.some((part) => part !== '')) return null;
  try {
    return { id: decodeURIComponent(id), stage };
  } catch {
    return null;
  }
}
