import { Link, useRouteError } from "react-router";

/** A page that is not there, or that broke. */
export function Lost() {
  const error = useRouteError();
  return (
    <main className="mx-auto max-w-2xl px-6 py-20">
      <h1 className="text-3xl">{error ? "This page broke" : "There is nothing here"}</h1>
      <p className="mt-4 text-lg">
        {error
          ? "What you typed was kept up to the last moment that said “kept”. Load the page again; if it breaks again, the song itself is safe in the repertoire."
          : "The address leads nowhere. Your songs are in the repertoire."}
      </p>
      <Link to="/" className="mt-6 inline-block font-semibold text-accent underline underline-offset-4">
        To the repertoire
      </Link>
    </main>
  );
}
