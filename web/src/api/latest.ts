/**
 * Of questions that overtake each other only the last counts: what is answered, or goes wrong, to one before it is not told any more.
 * @returns asks a question and takes its answer; one for everything that may overtake each other
 */
export function latest(): <T>(question: () => Promise<T>, take: (answer: T) => void) => Promise<void> {
  let asked = 0;
  return async (question, take) => {
    const turn = ++asked;
    try {
      const answer = await question();
      if (turn === asked) take(answer);
    } catch (error) {
      if (turn === asked) throw error;
    }
  };
}
