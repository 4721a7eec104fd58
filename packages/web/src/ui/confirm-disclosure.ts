import { CallError } from "../api/call.js";

/**
 * Makes a call that may show private systems. Where the server asks about them, they are named, and the call is made again when
 * its author agrees; undefined when not. Throws CallError.
 */
export async function withDisclosure<R>(act: (agreed: { discloses?: string[] }) => Promise<R>): Promise<R | undefined> {
  try {
    return await act({});
  } catch (error) {
    if (!(error instanceof CallError) || error.discloses === undefined) throw error;
    const { discloses } = error;
    const [{ ElMessageBox }] = await Promise.all([
      import("element-plus/es/components/message-box/index"),
      import("element-plus/es/components/message-box/style/css"),
    ]);
    const titles = Object.values(discloses).map((title) => `“${title}”`);
    const agreed = await ElMessageBox.confirm(
      `This system builds on ${titles.join(", ")}, which only you, or only your classes, can read now. Whoever can read this system can then read ${titles.length === 1 ? "it" : "them"} too.`,
      "Show a private system?",
      { confirmButtonText: "Publish with it", cancelButtonText: "Cancel", type: "warning", autofocus: false },
    ).then(
      () => true,
      () => false,
    );
    return agreed ? act({ discloses: Object.keys(discloses) }) : undefined;
  }
}
