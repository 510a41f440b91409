import { Length, Matches } from "class-validator";

const FOLDER = { message: "There is no such yard." };
const NAME = { message: "Say a name of up to 60 letters: it stands on every page of this yard." };

export class BeginYardDto {
  @Length(1, 60, NAME)
  name!: string;
}

export class OfYardDto {
  @Matches(/^[a-z0-9][a-z0-9-]{0,39}$/, FOLDER)
  folder!: string;
}

export class RenameYardDto extends OfYardDto {
  @Length(1, 60, NAME)
  name!: string;
}
