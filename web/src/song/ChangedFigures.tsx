import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Choices, take } from "../api/client";
import { useFigures } from "../api/queries";
import { LinkButton } from "../ui/LinkButton";
import { Notice } from "../ui/Notice";
import type { DraftDesk } from "./openDraft";

/**
 * Figures of one's own that are other ones now than when the song was kept: it goes on with what they are, or has back
 * what they were.
 */
export function ChangedFigures({ desk, changed }: { desk: DraftDesk; changed: Record<string, string> }) {
  const [left, setLeft] = useState(() => Object.entries(changed));
  const [trouble, setTrouble] = useState("");
  const figures = useFigures().data;
  const queries = useQueryClient();
  const haveBack = async (id: string, hash: string) => {
    try {
      const file = (await take(
        api.GET("/api/figures/texts/{hash}", { params: { path: { hash } }, parseAs: "text" }) as never,
      )) as unknown as string;
      const old = await take(api.POST("/api/figures", { body: { file } }));
      await queries.invalidateQueries({ queryKey: ["figures"] });
      await desk.edit(async ({ choices, others }) => ({
        choices: withFigure(choices, id, old.id),
        others: others.map((each) => ({ ...each, choices: withFigure(each.choices, id, old.id) })),
      }));
      setLeft((all) => all.filter(([each]) => each !== id));
    } catch (refused) {
      setTrouble(refused instanceof Error ? refused.message : String(refused));
    }
  };
  return left.map(([id, hash]) => (
    <Notice key={id}>
      <span>
        Since this song was kept, your figure {figures?.find((each) => each.id === id)?.name ?? id} was changed or taken
        away; it sounds as it is now. {trouble}
      </span>
      <LinkButton strong onClick={() => haveBack(id, hash)}>
        Have the old one back, for this song
      </LinkButton>
      <LinkButton strong onClick={() => setLeft((all) => all.filter(([each]) => each !== id))}>
        Go on with it
      </LinkButton>
    </Notice>
  ));
}

/** The choices with another figure wherever one was chosen. */
export function withFigure(choices: Choices, from: string, to: string): Choices {
  const named = <T extends { figure?: string | undefined }>(options: T): T =>
    options.figure === from ? { ...options, figure: to } : options;
  const { sections, overrides } = choices;
  return {
    ...named(choices),
    ...(sections
      ? { sections: Object.fromEntries(Object.entries(sections).map(([name, each]) => [name, named(each)])) }
      : {}),
    ...(overrides ? { overrides: overrides.map(named) } : {}),
  };
}
