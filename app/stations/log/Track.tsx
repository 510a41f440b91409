import { Form } from "react-router";
import { Who } from "../../entry/Who.tsx";
import { TextField } from "../../ui/Field.tsx";
import { Folded } from "../../ui/Folded.tsx";

type Props = { entry: string; person: string; errors: Readonly<Record<string, string>> };

/** A receiver's log of where an entry was driven: what a wrong number spoilt is then told pass by pass. */
export function Track({ entry, person, errors }: Props) {
  return (
    <Folded summary="Where it was driven: a receiver's log">
      <Form
        method="post"
        encType="multipart/form-data"
        noValidate
        className="grid max-w-[520px] gap-2 pb-2"
        aria-label="Track"
      >
        <input type="hidden" name="intent" value="track" />
        <input type="hidden" name="entry" value={entry} />
        <TextField
          name="track"
          label="Log"
          type="file"
          accept=".nmea,.txt,.log"
          className="py-2"
          problem={errors.track ?? errors.entry}
          hint="NMEA 0183. With it a wrong offset is corrected pass by pass."
        />
        <Who person={person} problem={errors.person} />
        <button type="submit" className="key justify-self-start">
          Keep its passes
        </button>
      </Form>
    </Folded>
  );
}
