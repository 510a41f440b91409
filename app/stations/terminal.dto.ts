import { Length, MaxLength } from "class-validator";

/** How the terminal in this cab asks, and what the rig is called there. */
export class TerminalDto {
  @Length(1, 60, { message: "Choose how the terminal asks." })
  schemeId!: string;

  @MaxLength(32, { message: "A profile name has at most 32 characters." })
  profileName!: string;
}
