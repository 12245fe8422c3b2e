// What a player could not see, read or press on the page as it stands; each as a sentence. Read by LayoutTest.
({ touch }) => {
  const found = [];
  const said = (what, element) => {
    const text = (element.getAttribute("aria-label") || element.textContent || element.tagName).trim().replace(/\s+/g, " ").slice(0, 50);
    found.push(`${what}: <${element.tagName.toLowerCase()}> ${text}`);
  };
  const dialog = [...document.querySelectorAll("[role=dialog], [role=menu], [role=listbox]")].pop();
  const root = dialog ?? document.body;
  const width = document.documentElement.clientWidth;
  if (document.documentElement.scrollWidth > width) found.push(`the page is ${document.documentElement.scrollWidth - width} pixels wider than the screen`);

  const hidden = (element) => {
    const style = getComputedStyle(element);
    const box = element.getBoundingClientRect();
    return style.visibility === "hidden" || style.display === "none" || box.width < 2 || box.height < 2 || element.closest(".sr-only, [aria-hidden=true], [inert]") !== null;
  };
  // What lies in something that scrolls can be reached.
  const scrolls = (element, axis) => {
    for (let up = element.parentElement; up && up !== document.documentElement; up = up.parentElement) {
      const style = getComputedStyle(up);
      const overflow = axis === "x" ? style.overflowX : style.overflowY;
      if ((overflow === "auto" || overflow === "scroll") && (axis === "x" ? up.scrollWidth > up.clientWidth : up.scrollHeight > up.clientHeight)) return true;
    }
    return false;
  };

  const presses = "button, a[href], input, select, textarea, summary, [role=button], [role=menuitem], [role=option]";
  for (const element of root.querySelectorAll(presses)) {
    if (hidden(element) || element.closest("svg")) continue;
    const box = element.getBoundingClientRect();
    if ((box.left < -1 || box.right > width + 1) && !scrolls(element, "x")) said("off the screen", element);
    if ((box.top < -1 || box.bottom > innerHeight + 1) && !scrolls(element, "y") && document.documentElement.scrollHeight <= innerHeight) said("below the screen", element);
    if (touch && element.closest("[data-small]") === null) {
      // A tick is pressed by its label; a word in a sentence by its line.
      const label = element.closest("label");
      const target = (label && element.matches("input") ? label : element).getBoundingClientRect();
      const inline = element.matches("a, button") && getComputedStyle(element).display === "inline" && element.closest("p, li, dd") !== null;
      if (!inline && target.height < 43.5) said(`${Math.round(target.width)} × ${Math.round(target.height)} pixels to press`, element);
    }
  }

  // Text that is cut without saying the rest anywhere.
  for (const element of root.querySelectorAll("*")) {
    if (element.closest("svg") || hidden(element) || ![...element.childNodes].some((node) => node.nodeType === 3 && node.textContent.trim())) continue;
    const style = getComputedStyle(element);
    const clips = style.overflowX === "hidden" || style.overflowX === "clip";
    if (clips && element.scrollWidth > element.clientWidth + 1 && element.closest("[title], [aria-label]") === null) said("cut", element);
  }

  // Words over words, among those that stand side by side.
  const words = [...root.querySelectorAll("h1, h2, h3, p, button, label, a")].filter((element) => {
    if (hidden(element) || element.closest("svg, [data-over], [role=dialog] [inert]") || element.querySelector("h1, h2, h3, p, button, label, a")) return false;
    const box = element.getBoundingClientRect();
    const at = document.elementFromPoint(Math.min(width - 1, box.left + box.width / 2), Math.min(innerHeight - 1, box.top + box.height / 2));
    return box.top >= 0 && box.bottom <= innerHeight && at !== null && (element.contains(at) || at.contains(element));
  });
  const drawn = (element) => {
    const range = document.createRange();
    const box = { left: Infinity, right: -Infinity, top: Infinity, bottom: -Infinity };
    const texts = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
    for (let text = texts.nextNode(); text; text = texts.nextNode()) {
      if (!text.textContent.trim() || text.parentElement.closest(".sr-only, svg, select")) continue;
      range.selectNodeContents(text);
      const part = range.getBoundingClientRect();
      // What is not shown has no place.
      if (part.width === 0 && part.height === 0) continue;
      box.left = Math.min(box.left, part.left);
      box.right = Math.max(box.right, part.right);
      box.top = Math.min(box.top, part.top);
      box.bottom = Math.max(box.bottom, part.bottom);
    }
    for (let up = element; up && up !== document.body; up = up.parentElement) {
      if (getComputedStyle(up).overflowY === "visible") continue;
      const clip = up.getBoundingClientRect();
      box.left = Math.max(box.left, clip.left);
      box.right = Math.min(box.right, clip.right);
      box.top = Math.max(box.top, clip.top);
      box.bottom = Math.min(box.bottom, clip.bottom);
    }
    return box;
  };
  const boxes = words.map((element) => ({ element, box: drawn(element) }));
  for (let one = 0; one < boxes.length; one++)
    for (let other = one + 1; other < boxes.length; other++) {
      const a = boxes[one].box;
      const b = boxes[other].box;
      const across = Math.min(a.right, b.right) - Math.max(a.left, b.left);
      const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
      if (across > 3 && down > 6) said(`over “${boxes[other].element.textContent.trim().slice(0, 30)}”`, boxes[one].element);
    }

  // The engraved page: chord symbols, fingers and staff lines keep clear of each other, and nothing leaves its frame.
  for (const page of document.querySelectorAll(".score svg")) {
    const frame = page.closest(".score").getBoundingClientRect();
    // The music font's box is far taller than its signs: letters are measured.
    const lettered = (element) => {
      const boxes = [...element.querySelectorAll("tspan")].filter((part) => part.children.length === 0 && part.getAttribute("font-family") !== "Leipzig").map((part) => part.getBoundingClientRect());
      const own = boxes.length > 0 ? boxes : [element.getBoundingClientRect()];
      return { left: Math.min(...own.map((box) => box.left)), right: Math.max(...own.map((box) => box.right)), top: Math.min(...own.map((box) => box.top)), bottom: Math.max(...own.map((box) => box.bottom)) };
    };
    const parts = (selector) => [...page.querySelectorAll(selector)].map((element) => ({ element, box: lettered(element) })).filter(({ box }) => box.right > box.left);
    const symbols = parts("g.harm");
    const fingers = parts("g.fing");
    const staves = parts("g.staff").map(({ element }) => {
      const lines = [...element.querySelectorAll(":scope > path")].map((line) => line.getBoundingClientRect());
      return { top: Math.min(...lines.map((line) => line.top)), bottom: Math.max(...lines.map((line) => line.bottom)), left: Math.min(...lines.map((line) => line.left)), right: Math.max(...lines.map((line) => line.right)) };
    });
    for (const { element, box } of [...symbols, ...fingers]) if (box.top < frame.top || box.left < frame.left || box.right > frame.right + 1 || box.bottom > frame.bottom + 1) said("out of the frame", element);
    const meet = (a, b, by) => Math.min(a.right, b.right) - Math.max(a.left, b.left) > by && Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > by;
    for (const symbol of symbols) {
      for (const other of symbols) if (symbol !== other && meet(symbol.box, other.box, 2)) said("chord symbol over chord symbol", symbol.element);
      for (const finger of fingers) if (meet(symbol.box, finger.box, 2)) said("chord symbol over a finger", symbol.element);
      for (const staff of staves) if (meet(symbol.box, staff, 2)) said("chord symbol in the staff", symbol.element);
    }
  }
  return [...new Set(found)];
};
