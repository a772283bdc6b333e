/** The same in another order, each order as likely as any other (Fisher and Yates). */
export const shuffled = <T>(given: readonly T[]): T[] => {
  const list = [...given];
  for (let last = list.length - 1; last > 0; last--) {
    const other = Math.floor(Math.random() * (last + 1));
    [list[last], list[other]] = [list[other] as T, list[last] as T];
  }
  return list;
};
