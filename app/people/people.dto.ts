import { IsIn, Length, Matches, MaxLength } from "class-validator";
import type { Role } from "../../data/people/people.ts";
import { ROLES } from "./roles.ts";

const NAME = { message: "Say who, in up to 60 letters." };
const DEVICE = { message: "Keep the device's name under 40 characters." };

/** What stands in a link: 256 bits as the letters a link may have. */
const TOKEN = /^[\w-]{43}$/;
export const NO_INVITATION = "That is no invitation: open the whole link, or scan it again.";

export class InviteDto {
  @Length(1, 60, NAME)
  name!: string;

  @IsIn(ROLES, { message: "Choose what they may do." })
  role!: Role;
}

export class OfPersonDto {
  @Matches(/^\d{1,15}$/, { message: "There is no such person." })
  person!: string;
}

export class RoleDto extends OfPersonDto {
  @IsIn(ROLES, { message: "Choose what they may do." })
  role!: Role;
}

export class OfDeviceDto {
  @Matches(/^\d{1,15}$/, { message: "There is no such device." })
  device!: string;
}

export class UninviteDto {
  @MaxLength(60, NAME)
  name!: string;

  @Matches(/^\d{1,16}$/, { message: "There is no such invitation." })
  until!: string;
}

export class InvitedDto {
  @Matches(TOKEN, { message: NO_INVITATION })
  token!: string;
}

export class JoinDto extends InvitedDto {
  @MaxLength(60, NAME)
  name!: string;

  @MaxLength(40, DEVICE)
  device!: string;
}

export class EnterDto {
  @Length(1, 60, { message: "Say who you are." })
  person!: string;

  @Length(1, 200, { message: "Say your passphrase." })
  passphrase!: string;

  @MaxLength(40, DEVICE)
  device!: string;
}

export class RenameDeviceDto {
  @Length(1, 40, { message: "Give the device a name of up to 40 letters." })
  device!: string;
}

/** Entries that wait: more than any browser keeps is a slip. */
const COUNT = [/^\d{1,6}$/, { message: "That is no number of entries." }] as const;

export class WaitingDto {
  @Matches(...COUNT)
  waiting!: string;

  @Matches(...COUNT)
  refused!: string;
}

export class NewPassphraseDto {
  @Length(1, 200, { message: "Say the new passphrase." })
  passphrase!: string;

  @MaxLength(200, { message: "That is too long." })
  before!: string;
}
