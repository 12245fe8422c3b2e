import { useEffect, useLayoutEffect } from "react";

/** Keys that turn, on and back: foot pedals send them, and hands press them. */
export const NEXT = ["ArrowRight", "ArrowDown", "PageDown", " ", "Enter"];
export const BACK = ["ArrowLeft", "ArrowUp", "PageUp", "Backspace"];
export const TURNING = [...NEXT, ...BACK];

/**
 * Pedals that turn: sostenuto and soft, which leave the right one to the playing; the sustaining one only where that is
 * wanted (MIDI 1.0).
 */
const CONTROL = 0xb0;
const TURNS = [66, 67];
const SUSTAIN = 64;

export function turns(data: ArrayLike<number>, sustain: boolean): boolean {
  const kind = (data[0] ?? 0) & 0xf0;
  const pedal = data[1] ?? 0;
  return kind === CONTROL && (data[2] ?? 0) >= 64 && (TURNS.includes(pedal) || (sustain && pedal === SUSTAIN));
}

/** Every MIDI pedal that is plugged in turns the page. */
export function usePedal(onTurn: () => void, sustain: boolean): void {
  useEffect(() => {
    if (!("requestMIDIAccess" in navigator)) return;
    let left = false;
    let leave = () => {};
    navigator
      .requestMIDIAccess()
      .then((access) => {
        if (left) return;
        const inputs = [...access.inputs.values()];
        const heard = (event: Event) => {
          const data = (event as MIDIMessageEvent).data;
          if (data && turns(data, sustain)) onTurn();
        };
        for (const input of inputs) input.addEventListener("midimessage", heard);
        leave = () => {
          for (const input of inputs) input.removeEventListener("midimessage", heard);
        };
      })
      .catch(() => undefined);
    return () => {
      left = true;
      leave();
    };
  }, [onTurn, sustain]);
}

/** The screen stays awake while the stand is open, where the browser can. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    const wake = () => {
      if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      navigator.wakeLock
        .request("screen")
        .then((held) => {
          lock = held;
        })
        .catch(() => undefined);
    };
    wake();
    document.addEventListener("visibilitychange", wake);
    return () => {
      document.removeEventListener("visibilitychange", wake);
      lock?.release().catch(() => undefined);
    };
  }, []);
}

/** Keys belong to the stand from the moment it is seen; the song's desk behind it hears none of them. */
export function useStageKeys(press: (event: KeyboardEvent) => void): void {
  useLayoutEffect(() => {
    window.addEventListener("keydown", press, true);
    return () => window.removeEventListener("keydown", press, true);
  }, [press]);
}
