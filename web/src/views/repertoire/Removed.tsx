import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type SongLine, take } from "../../api/client";
import { LinkButton } from "../../ui/LinkButton";
import { Notice } from "../../ui/Notice";

export type RemovedSong = Pick<SongLine, "id" | "title">;

const SLOT = "zapateo.removed";

function read(): RemovedSong[] {
  try {
    return JSON.parse(sessionStorage.getItem(SLOT) ?? "[]") as RemovedSong[];
  } catch {
    return [];
  }
}

/** Songs that were taken out since the window is open: the way back stays until it is dismissed. */
export function useRemoved(): {
  removed: RemovedSong[];
  add: (song: RemovedSong) => void;
  drop: (id: string | null) => void;
} {
  const [removed, setRemoved] = useState(read);
  const set = (next: RemovedSong[]) => {
    sessionStorage.setItem(SLOT, JSON.stringify(next));
    setRemoved(next);
  };
  return {
    removed,
    add: ({ id, title }) => set([...removed.filter((each) => each.id !== id), { id, title }]),
    drop: (id) => set(id === null ? [] : removed.filter((each) => each.id !== id)),
  };
}

export function Removed({
  removed,
  drop,
  onTrouble,
}: {
  removed: RemovedSong[];
  drop: (id: string | null) => void;
  onTrouble: (why: string) => void;
}) {
  const queries = useQueryClient();
  if (removed.length === 0) return null;
  const restore = async (song: RemovedSong) => {
    try {
      await take(api.POST("/api/songs/{id}/restore", { params: { path: { id: song.id } } }));
      drop(song.id);
    } catch (error) {
      onTrouble(`“${song.title}” could not be put back. ${error instanceof Error ? error.message : error}`);
    }
    queries.invalidateQueries({ queryKey: ["songs"] });
  };
  return (
    <Notice>
      <span>
        {removed.length === 1
          ? `“${removed[0]?.title}” is taken out of the repertoire.`
          : "These are taken out of the repertoire:"}
      </span>
      {removed.map((song) => (
        <LinkButton strong key={song.id} onClick={() => void restore(song)}>
          {removed.length === 1 ? "Put it back" : `Put “${song.title}” back`}
        </LinkButton>
      ))}
      <span className="ml-auto">
        <LinkButton strong onClick={() => drop(null)}>
          Dismiss
        </LinkButton>
      </span>
    </Notice>
  );
}
