CREATE TABLE `bench` (
	`coupling_id` integer PRIMARY KEY NOT NULL,
	`truth` text NOT NULL,
	`runs` integer DEFAULT 0 NOT NULL,
	FOREIGN KEY (`coupling_id`) REFERENCES `coupling`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `calibration_end` (
	`seq` integer PRIMARY KEY NOT NULL,
	`calibration` integer NOT NULL,
	`constant` text,
	`accepted` integer NOT NULL,
	`had` real,
	`found` real,
	`error` real,
	`variation` real,
	`runs` integer NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`evidence` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`calibration`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "calibration_end_counts_runs" CHECK("calibration_end"."runs" >= 0),
	CONSTRAINT "calibration_end_accepts_something" CHECK("calibration_end"."accepted" = 0 or "calibration_end"."constant" is null or "calibration_end"."found" is not null)
);
--> statement-breakpoint
CREATE TABLE `calibration_run` (
	`seq` integer PRIMARY KEY NOT NULL,
	`figures` text NOT NULL,
	`choices` text NOT NULL,
	`lists` text NOT NULL,
	`texts` text NOT NULL,
	`simulated` integer DEFAULT false NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `calibration_setup` (
	`seq` integer PRIMARY KEY NOT NULL,
	`figures` text NOT NULL,
	`choices` text NOT NULL,
	`texts` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `loaded` (
	`seq` integer PRIMARY KEY NOT NULL,
	`product_id` integer NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`product_id`) REFERENCES `product`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `product` (
	`id` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`form` text NOT NULL,
	`density` real,
	`grain_mass` real,
	`establishment` real,
	`price` real,
	`money` text DEFAULT '' NOT NULL,
	`archived_at` text,
	CONSTRAINT "product_form" CHECK("product"."form" in ('liquid', 'seed', 'granules', 'crop')),
	CONSTRAINT "product_is_named" CHECK("product"."name" <> '')
);
--> statement-breakpoint
CREATE TABLE `run_left_out` (
	`seq` integer PRIMARY KEY NOT NULL,
	`run` integer NOT NULL,
	`out` integer NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`run`) REFERENCES `calibration_run`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_scheme_line` (
	`scheme_id` text NOT NULL,
	`position` integer NOT NULL,
	`page` text NOT NULL,
	`label` text NOT NULL,
	`measure` text NOT NULL,
	`from_point` text,
	`to_point` text,
	`axis` text,
	`dimension` text,
	`choice` text,
	`sense` integer NOT NULL,
	`unit` text NOT NULL,
	`decimals` integer NOT NULL,
	`sign` text NOT NULL,
	`plus_word` text DEFAULT '' NOT NULL,
	`minus_word` text DEFAULT '' NOT NULL,
	`only_for` text DEFAULT 'every' NOT NULL,
	PRIMARY KEY(`scheme_id`, `position`),
	FOREIGN KEY (`scheme_id`) REFERENCES `scheme`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "scheme_line_measure" CHECK("__new_scheme_line"."measure" in ('between', 'dimension', 'track spacing', 'section count', 'section widths', 'section units', 'rates', 'choice')),
	CONSTRAINT "scheme_line_sign" CHECK("__new_scheme_line"."sign" in ('signed', 'words', 'unsigned')),
	CONSTRAINT "scheme_line_only_for" CHECK("__new_scheme_line"."only_for" in ('every', 'wheels', 'carried', 'rows', 'heads', 'booms', 'planters', 'spreaders', 'all but spreaders', 'discs', 'all but discs')),
	CONSTRAINT "scheme_line_sense" CHECK("__new_scheme_line"."sense" in ('1', '-1'))
);
--> statement-breakpoint
INSERT INTO `__new_scheme_line`("scheme_id", "position", "page", "label", "measure", "from_point", "to_point", "axis", "dimension", "choice", "sense", "unit", "decimals", "sign", "plus_word", "minus_word", "only_for") SELECT "scheme_id", "position", "page", "label", "measure", "from_point", "to_point", "axis", "dimension", "choice", "sense", "unit", "decimals", "sign", "plus_word", "minus_word", "only_for" FROM `scheme_line`;--> statement-breakpoint
DROP TABLE `scheme_line`;--> statement-breakpoint
ALTER TABLE `__new_scheme_line` RENAME TO `scheme_line`;--> statement-breakpoint
PRAGMA foreign_keys=ON;
--> statement-breakpoint
CREATE TRIGGER `calibration_setup_no_update` BEFORE UPDATE ON `calibration_setup` BEGIN SELECT RAISE(ABORT, 'what is on record in calibration_setup is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `calibration_setup_no_delete` BEFORE DELETE ON `calibration_setup` BEGIN SELECT RAISE(ABORT, 'what is on record in calibration_setup is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `calibration_run_no_update` BEFORE UPDATE ON `calibration_run` BEGIN SELECT RAISE(ABORT, 'what is on record in calibration_run is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `calibration_run_no_delete` BEFORE DELETE ON `calibration_run` BEGIN SELECT RAISE(ABORT, 'what is on record in calibration_run is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `run_left_out_no_update` BEFORE UPDATE ON `run_left_out` BEGIN SELECT RAISE(ABORT, 'what is on record in run_left_out is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `run_left_out_no_delete` BEFORE DELETE ON `run_left_out` BEGIN SELECT RAISE(ABORT, 'what is on record in run_left_out is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `calibration_end_no_update` BEFORE UPDATE ON `calibration_end` BEGIN SELECT RAISE(ABORT, 'what is on record in calibration_end is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `calibration_end_no_delete` BEFORE DELETE ON `calibration_end` BEGIN SELECT RAISE(ABORT, 'what is on record in calibration_end is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `loaded_no_update` BEFORE UPDATE ON `loaded` BEGIN SELECT RAISE(ABORT, 'what is on record in loaded is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `loaded_no_delete` BEFORE DELETE ON `loaded` BEGIN SELECT RAISE(ABORT, 'what is on record in loaded is neither changed nor deleted'); END;