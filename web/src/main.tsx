import { Portal } from "@headlessui/react";
import { QueryClientProvider } from "@tanstack/react-query";
import { lazy, StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, RouterProvider } from "react-router";
import { queries } from "./api/cache";
import { Lost } from "./ui/Lost";
import { Repertoire } from "./views/repertoire/Repertoire";

const KeptStage = lazy(() => import("./views/stage/Stage").then(({ KeptStage }) => ({ default: KeptStage })));

const router = createBrowserRouter([
  { path: "/", element: <Repertoire />, errorElement: <Lost /> },
  {
    path: "/songs/:id",
    errorElement: <Lost />,
    HydrateFallback: () => null,
    lazy: async () => {
      const { SongLayout } = await import("./song/SongLayout");
      return { element: <SongLayout away={<KeptStage />} /> };
    },
    children: [
      { index: true, lazy: async () => ({ Component: (await import("./views/lefthand/LeftHand")).LeftHand }) },
      { path: "chart", lazy: async () => ({ Component: (await import("./views/chart/Chart")).Chart }) },
      {
        path: "right-hand",
        lazy: async () => ({ Component: (await import("./views/righthand/RightHand")).RightHand }),
      },
      { path: "colour", lazy: async () => ({ Component: (await import("./views/colour/Colour")).Colour }) },
      { path: "practise", lazy: async () => ({ Component: (await import("./views/practise/Practise")).Practise }) },
      { path: "sheet", lazy: async () => ({ Component: (await import("./views/sheet/Sheet")).Sheet }) },
      { path: "stage", lazy: async () => ({ Component: (await import("./views/stage/Stage")).Stage }) },
      { path: "left-hand", lazy: async () => ({ Component: (await import("./views/lefthand/LeftHand")).LeftHand }) },
    ],
  },
  {
    path: "/sets",
    errorElement: <Lost />,
    HydrateFallback: () => null,
    lazy: async () => ({ Component: (await import("./views/sets/Sets")).Sets }),
  },
  {
    path: "/sets/:id",
    errorElement: <Lost />,
    HydrateFallback: () => null,
    lazy: async () => ({ Component: (await import("./views/sets/SetDesk")).SetDesk }),
  },
  {
    path: "/hands",
    errorElement: <Lost />,
    HydrateFallback: () => null,
    lazy: async () => ({ Component: (await import("./views/hands/MyHands")).MyHands }),
  },
  { path: "*", element: <Lost /> },
]);

const root = document.getElementById("root");
// Menus, lists and dialogs have a place of their own in the page.
const opened = { current: document.getElementById("opened") };
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <Portal.Group target={opened}>
          <Suspense fallback={null}>
            <RouterProvider router={router} />
          </Suspense>
        </Portal.Group>
      </QueryClientProvider>
    </StrictMode>,
  );
}
