import { IsIn, Length, MaxLength } from "class-validator";

/** How the terminal in this cab asks, and what its profile of the tool in view is called. */
export class TerminalDto {
  @Length(1, 60, { message: "Choose how the terminal asks." })
  schemeId!: string;

  @MaxLength(32, { message: "A profile name has at most 32 characters." })
  profileName!: string;

  @MaxLength(40, { message: "Call it something of at most 40 characters." })
  name!: string;
}

/** Who does it. */
export class PersonDto {
  @Length(1, 60, { message: "Say who you are." })
  person!: string;
}

/** What the terminal shows for one line. */
export class ShownDto {
  @MaxLength(40, { message: "That is too long for a terminal's figure." })
  shown!: string;

  @MaxLength(20, { message: "That is no side." })
  word!: string;

  @IsIn(["", "yes"], { message: "Say whether the terminal has this line." })
  absent!: string;

  @IsIn(["", "terminal", "card"], { message: "Say whose number is wrong." })
  wrong!: string;
}
