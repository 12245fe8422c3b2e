import { useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { api, type EveningSet, type SetLine, take, upload } from "../../api/client";
import { useSets } from "../../api/sets";
import { LinkButton } from "../../ui/LinkButton";
import { Mark } from "../../ui/Mark";
import { Notice } from "../../ui/Notice";
import { Scheme } from "../../ui/Scheme";

export const dayOf = (day: string | undefined): string =>
  day
    ? new Date(`${day}T12:00`).toLocaleDateString("en-GB", {
        weekday: "long",
        day: "numeric",
        month: "long",
        year: "numeric",
      })
    : "no day yet";

/** The evenings, and a new one. */
export function Sets() {
  const sets = useSets();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [gone, setGone] = useState<SetLine | null>(null);
  const picker = useRef<HTMLInputElement>(null);
  const told = (error: unknown) => setTrouble(error instanceof Error ? error.message : String(error));
  const create = () =>
    take(api.POST("/api/sets", { body: { title: "An evening", items: [] } }))
      .then((set) => navigate(`/sets/${set.id}`))
      .catch(told);
  const bring = async (file: File) => {
    try {
      const { id, leftOut } = await upload<EveningSet>("/api/sets/import", file);
      navigate(`/sets/${id}`, { state: { leftOut } });
    } catch (error) {
      setTrouble(`${file.name}: ${error instanceof Error ? error.message : error}`);
    }
  };
  const remove = async (set: SetLine) => {
    try {
      await take(api.DELETE("/api/sets/{id}", { params: { path: { id: set.id } } }));
      setGone(set);
    } catch (error) {
      told(error);
    }
    queries.invalidateQueries({ queryKey: ["sets"] });
  };
  return (
    <div className="mx-auto min-h-full max-w-[80rem]">
      <header className="flex min-h-[3.75rem] flex-wrap items-center gap-x-4 border-line border-b px-5 max-md:px-3">
        <Link to="/" aria-label="Repertoire" title="Repertoire" className="flex h-11 items-center">
          <Mark />
        </Link>
        <h1 className="text-2xl">Evenings</h1>
        <Link to="/" className="ml-auto flex h-11 items-center px-2">
          Repertoire
        </Link>
        <Scheme />
      </header>
      {gone && (
        <Notice>
          <span>“{gone.title}” is taken away.</span>
          <LinkButton
            strong
            onClick={() =>
              void take(api.POST("/api/sets/{id}/restore", { params: { path: { id: gone.id } } })).then(() => {
                setGone(null);
                queries.invalidateQueries({ queryKey: ["sets"] });
              })
            }
          >
            Put it back
          </LinkButton>
        </Notice>
      )}
      {trouble && (
        <Notice alert>
          <span>{trouble}</span>
          <LinkButton strong onClick={() => setTrouble(null)}>
            Close
          </LinkButton>
        </Notice>
      )}
      <main className="px-5 py-5">
        <div className="flex flex-wrap gap-3">
          <button
            type="button"
            onClick={() => void create()}
            className="h-12 rounded-plank bg-ink px-5 font-semibold text-ground"
          >
            A new evening
          </button>
          <button
            type="button"
            onClick={() => picker.current?.click()}
            className="h-12 rounded-plank border border-grain px-5"
          >
            Bring in an evening
          </button>
          <input
            ref={picker}
            type="file"
            accept=".zip"
            aria-label="A file of an evening"
            className="hidden"
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = "";
              if (file) void bring(file);
            }}
          />
        </div>
        {sets.isError && <p className="py-6 text-lg">The evenings cannot be shown. {sets.error.message}</p>}
        {sets.data?.length === 0 && (
          <p className="max-w-xl py-8 text-lg">
            No evening yet. One is a list of songs in their order, each in the key and at the tempo of that night, with
            breaks between them.
          </p>
        )}
        <ul className="mt-4">
          {sets.data?.map((set) => (
            <li key={set.id} className="flex flex-wrap items-center gap-x-6 border-line border-b">
              <Link to={`/sets/${set.id}`} className="flex min-h-14 flex-1 flex-col justify-center py-1">
                <span className="font-semibold font-serif text-[1.35rem] leading-tight hover:text-accent">
                  {set.title}
                </span>
                <span className="text-quiet">
                  {dayOf(set.playedOn)}
                  {set.place ? ` · ${set.place}` : ""}
                </span>
              </Link>
              <span className="text-quiet">{set.songs === 1 ? "1 song" : `${set.songs} songs`}</span>
              <button
                type="button"
                onClick={() => void remove(set)}
                aria-label={`Remove ${set.title}`}
                className="min-h-11 text-quiet underline decoration-dotted underline-offset-4"
              >
                remove
              </button>
            </li>
          ))}
        </ul>
      </main>
    </div>
  );
}
