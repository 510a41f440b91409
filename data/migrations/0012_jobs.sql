CREATE TABLE `boundary` (
	`seq` integer PRIMARY KEY NOT NULL,
	`field_id` integer NOT NULL,
	`parts` text NOT NULL,
	`source` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`field_id`) REFERENCES `field`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "boundary_source" CHECK("boundary"."source" in ('coordinates', 'log', 'file'))
);
--> statement-breakpoint
CREATE TABLE `client` (
	`id` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`archived_at` text,
	CONSTRAINT "client_is_named" CHECK("client"."name" <> '')
);
--> statement-breakpoint
CREATE TABLE `farm` (
	`id` integer PRIMARY KEY NOT NULL,
	`client_id` integer,
	`name` text NOT NULL,
	`archived_at` text,
	FOREIGN KEY (`client_id`) REFERENCES `client`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "farm_is_named" CHECK("farm"."name" <> '')
);
--> statement-breakpoint
CREATE TABLE `field` (
	`id` integer PRIMARY KEY NOT NULL,
	`farm_id` integer,
	`name` text NOT NULL,
	`archived_at` text,
	FOREIGN KEY (`farm_id`) REFERENCES `farm`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "field_is_named" CHECK("field"."name" <> '')
);
--> statement-breakpoint
CREATE TABLE `guidance_line` (
	`seq` integer PRIMARY KEY NOT NULL,
	`field_id` integer NOT NULL,
	`name` text NOT NULL,
	`kind` text NOT NULL,
	`points` text NOT NULL,
	`heading` real,
	`radius` real,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`field_id`) REFERENCES `field`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "guidance_line_kind" CHECK("guidance_line"."kind" in ('ab', 'heading', 'curve', 'circle')),
	CONSTRAINT "guidance_line_is_named" CHECK("guidance_line"."name" <> ''),
	CONSTRAINT "guidance_line_has_its_heading" CHECK(("guidance_line"."kind" = 'heading') = ("guidance_line"."heading" is not null)),
	CONSTRAINT "guidance_line_has_its_radius" CHECK(("guidance_line"."kind" = 'circle') = ("guidance_line"."radius" is not null))
);
--> statement-breakpoint
CREATE TABLE `line_shift` (
	`seq` integer PRIMARY KEY NOT NULL,
	`line` integer NOT NULL,
	`amount` real NOT NULL,
	`reason` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`line`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "line_shift_moves_it" CHECK("line_shift"."amount" <> 0),
	CONSTRAINT "line_shift_has_a_reason" CHECK("line_shift"."reason" <> '')
);

--> statement-breakpoint
CREATE TRIGGER `boundary_no_update` BEFORE UPDATE ON `boundary` BEGIN SELECT RAISE(ABORT, 'what is on record in boundary is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `boundary_no_delete` BEFORE DELETE ON `boundary` BEGIN SELECT RAISE(ABORT, 'what is on record in boundary is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `guidance_line_no_update` BEFORE UPDATE ON `guidance_line` BEGIN SELECT RAISE(ABORT, 'what is on record in guidance_line is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `guidance_line_no_delete` BEFORE DELETE ON `guidance_line` BEGIN SELECT RAISE(ABORT, 'what is on record in guidance_line is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `line_shift_no_update` BEFORE UPDATE ON `line_shift` BEGIN SELECT RAISE(ABORT, 'what is on record in line_shift is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `line_shift_no_delete` BEFORE DELETE ON `line_shift` BEGIN SELECT RAISE(ABORT, 'what is on record in line_shift is neither changed nor deleted'); END;