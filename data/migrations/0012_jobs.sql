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
CREATE TABLE `asked_reading` (
	`seq` integer PRIMARY KEY NOT NULL,
	`coupling_id` integer NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`coupling_id`) REFERENCES `coupling`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `crop` (
	`id` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	CONSTRAINT "crop_is_named" CHECK("crop"."name" <> '')
);
--> statement-breakpoint
CREATE UNIQUE INDEX `crop_name` ON `crop` (`name`);--> statement-breakpoint
CREATE TABLE `variety` (
	`id` integer PRIMARY KEY NOT NULL,
	`crop_id` integer NOT NULL,
	`name` text NOT NULL,
	FOREIGN KEY (`crop_id`) REFERENCES `crop`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "variety_is_named" CHECK("variety"."name" <> '')
);
--> statement-breakpoint
CREATE UNIQUE INDEX `variety_of_crop` ON `variety` (`crop_id`,`name`);--> statement-breakpoint
CREATE TABLE `work` (
	`seq` integer PRIMARY KEY NOT NULL,
	`field_id` integer NOT NULL,
	`operations` text NOT NULL,
	`crop_id` integer,
	`variety_way` text NOT NULL,
	`varieties` text NOT NULL,
	`products` text NOT NULL,
	`recorded_by` text,
	`line` integer,
	`season` text NOT NULL,
	`screen` text NOT NULL,
	`screen_active` integer NOT NULL,
	`alarms` text NOT NULL,
	`muted_rows` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`field_id`) REFERENCES `field`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`crop_id`) REFERENCES `crop`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`line`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "work_variety_way" CHECK("work"."variety_way" in ('one', 'rows', 'map')),
	CONSTRAINT "work_recorded_by" CHECK("work"."recorded_by" in ('remote', 'detent', 'hitch', 'frame', 'pto', 'bus', 'sections', 'head', 'sensors', 'manual')),
	CONSTRAINT "work_has_a_season" CHECK("work"."season" <> '')
);
--> statement-breakpoint
CREATE TABLE `work_begun` (
	`seq` integer PRIMARY KEY NOT NULL,
	`work` integer NOT NULL,
	`frozen` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`work`) REFERENCES `work`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `work_ended` (
	`seq` integer PRIMARY KEY NOT NULL,
	`area` real,
	`parts` text NOT NULL,
	`time` real,
	`fuel` real,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "work_ended_area" CHECK("work_ended"."area" is null or "work_ended"."area" > 0),
	CONSTRAINT "work_ended_time" CHECK("work_ended"."time" is null or "work_ended"."time" > 0),
	CONSTRAINT "work_ended_fuel" CHECK("work_ended"."fuel" is null or "work_ended"."fuel" > 0)
);
--> statement-breakpoint
CREATE TABLE `work_load` (
	`seq` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`number` text DEFAULT '' NOT NULL,
	`destination` text DEFAULT '' NOT NULL,
	`mass` real,
	`moisture` real,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "work_load_weighs" CHECK("work_load"."mass" is null or "work_load"."mass" > 0),
	CONSTRAINT "work_load_moisture" CHECK("work_load"."moisture" is null or "work_load"."moisture" between 0 and 1)
);
--> statement-breakpoint
CREATE TABLE `work_note` (
	`seq` integer PRIMARY KEY NOT NULL,
	`text` text NOT NULL,
	`photo_id` text,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`photo_id`) REFERENCES `photo`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `work_used` (
	`seq` integer PRIMARY KEY NOT NULL,
	`product_id` integer NOT NULL,
	`amount` real NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`product_id`) REFERENCES `product`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "work_used_some" CHECK("work_used"."amount" > 0)
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
--> statement-breakpoint
CREATE TRIGGER `work_no_update` BEFORE UPDATE ON `work` BEGIN SELECT RAISE(ABORT, 'what is on record in work is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `work_no_delete` BEFORE DELETE ON `work` BEGIN SELECT RAISE(ABORT, 'what is on record in work is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `work_begun_no_update` BEFORE UPDATE ON `work_begun` BEGIN SELECT RAISE(ABORT, 'what is on record in work_begun is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `work_begun_no_delete` BEFORE DELETE ON `work_begun` BEGIN SELECT RAISE(ABORT, 'what is on record in work_begun is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `work_ended_no_update` BEFORE UPDATE ON `work_ended` BEGIN SELECT RAISE(ABORT, 'what is on record in work_ended is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `work_ended_no_delete` BEFORE DELETE ON `work_ended` BEGIN SELECT RAISE(ABORT, 'what is on record in work_ended is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `work_used_no_update` BEFORE UPDATE ON `work_used` BEGIN SELECT RAISE(ABORT, 'what is on record in work_used is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `work_used_no_delete` BEFORE DELETE ON `work_used` BEGIN SELECT RAISE(ABORT, 'what is on record in work_used is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `work_load_no_update` BEFORE UPDATE ON `work_load` BEGIN SELECT RAISE(ABORT, 'what is on record in work_load is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `work_load_no_delete` BEFORE DELETE ON `work_load` BEGIN SELECT RAISE(ABORT, 'what is on record in work_load is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `work_note_no_update` BEFORE UPDATE ON `work_note` BEGIN SELECT RAISE(ABORT, 'what is on record in work_note is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `work_note_no_delete` BEFORE DELETE ON `work_note` BEGIN SELECT RAISE(ABORT, 'what is on record in work_note is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `asked_reading_no_update` BEFORE UPDATE ON `asked_reading` BEGIN SELECT RAISE(ABORT, 'what is on record in asked_reading is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `asked_reading_no_delete` BEFORE DELETE ON `asked_reading` BEGIN SELECT RAISE(ABORT, 'what is on record in asked_reading is neither changed nor deleted'); END;