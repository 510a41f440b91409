CREATE TABLE `lending` (
	`seq` integer PRIMARY KEY NOT NULL,
	`way` text NOT NULL,
	`there` text NOT NULL,
	`here` text NOT NULL,
	`until` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "lending_way" CHECK("lending"."way" in ('out', 'in', 'back')),
	CONSTRAINT "lending_names_both" CHECK("lending"."there" <> '' and "lending"."here" <> '')
);
--> statement-breakpoint
CREATE TRIGGER `lending_no_update` BEFORE UPDATE ON `lending` BEGIN SELECT RAISE(ABORT, 'what is on record in lending is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `lending_no_delete` BEFORE DELETE ON `lending` BEGIN SELECT RAISE(ABORT, 'what is on record in lending is neither changed nor deleted'); END;
