/** Words about something that did not work, where it did not. */
export function Message({ children }: { children: string | null | undefined }) {
  return children ? (
    <p role="alert" className="my-1 text-sm leading-snug font-semibold text-fails">
      {children}
    </p>
  ) : null;
}

/** A caution at the point of use. */
export function Caution({ children }: { children: string }) {
  return (
    <p className="my-2 border-l-4 border-look pl-3 text-[0.92rem]">
      <b>Mind: </b>
      {children}
    </p>
  );
}
