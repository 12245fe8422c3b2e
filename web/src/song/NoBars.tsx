import type { Refused } from "../api/client";
import { MistakeLink } from "../ui/MistakeLink";

/** In place of a hand that is not laid yet: it is on its way, it cannot be had, or the chart has no bar to play. */
export function NoBars({ error, waiting }: { error: Refused | null; waiting: string }) {
  if (error && error.problems.length === 0) return <p className="max-w-xl px-6 py-10 text-lg">{error.message}</p>;
  return (
    <div className="px-6 py-10">
      <p className="max-w-xl text-lg">
        {error ? "There is no bar to play yet. Write one in the chart: a row such as C Am F G is enough." : waiting}
      </p>
      {error && (
        <p className="mt-3">
          <MistakeLink>To the chart</MistakeLink>
        </p>
      )}
      {error?.problems.map((problem) => (
        <p key={`${problem.line}.${problem.column}.${problem.code}`} className="mt-2 text-quiet">
          Line {problem.line}: {problem.message}
        </p>
      ))}
    </div>
  );
}
