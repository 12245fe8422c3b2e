import { QueryObserver } from "@tanstack/react-query";
import { Said } from "./cache";

/** A page under load: what is written is answered before the first reading of it is. */
it("what changed while it was first read is read again", async () => {
  const queries = new Said();
  const kept: string[] = [];
  const answers: (() => void)[] = [];
  const read = () => {
    const now = [...kept];
    return new Promise<string[]>((resolve) => answers.push(() => resolve(now)));
  };
  const seen = new QueryObserver(queries, { queryKey: ["kept"], queryFn: read });
  seen.subscribe(() => undefined);
  expect(answers).toHaveLength(1);
  kept.push("a time through");
  const again = queries.invalidateQueries({ queryKey: ["kept"] });
  answers[0]?.();
  await vi.waitFor(() => expect(answers).toHaveLength(2));
  answers[1]?.();
  await again;
  expect(seen.getCurrentResult().data).toEqual(["a time through"]);
});
