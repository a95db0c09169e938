/** Works through a list, so many at once, in its order. */
export async function severalAtOnce<T>(count: number, list: readonly T[], work: (each: T) => Promise<void>): Promise<void> {
  const rest = list.values();
  await Promise.all(
    Array.from({ length: count }, async () => {
      for (const each of rest) await work(each);
    }),
  );
}
