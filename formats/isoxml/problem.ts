/** Why a file is refused, in a sentence for the person who brought it. */
export class FileProblem extends Error {
  override name = "FileProblem";
}
