CREATE TABLE `base_shift` (
	`seq` integer PRIMARY KEY NOT NULL,
	`base` text NOT NULL,
	`farm_id` integer,
	`since` text NOT NULL,
	`until` text,
	`mark` text NOT NULL,
	`shown` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`farm_id`) REFERENCES `farm`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "base_shift_names_it" CHECK("base_shift"."base" <> ''),
	CONSTRAINT "base_shift_ends_later" CHECK("base_shift"."until" is null or "base_shift"."until" > "base_shift"."since")
);
--> statement-breakpoint
CREATE TABLE `variety_map` (
	`seq` integer PRIMARY KEY NOT NULL,
	`field_id` integer NOT NULL,
	`crop_id` integer NOT NULL,
	`file_name` text NOT NULL,
	`zones` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`field_id`) REFERENCES `field`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`crop_id`) REFERENCES `crop`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TRIGGER `base_shift_no_update` BEFORE UPDATE ON `base_shift` BEGIN SELECT RAISE(ABORT, 'what is on record in base_shift is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `base_shift_no_delete` BEFORE DELETE ON `base_shift` BEGIN SELECT RAISE(ABORT, 'what is on record in base_shift is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `variety_map_no_update` BEFORE UPDATE ON `variety_map` BEGIN SELECT RAISE(ABORT, 'what is on record in variety_map is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `variety_map_no_delete` BEFORE DELETE ON `variety_map` BEGIN SELECT RAISE(ABORT, 'what is on record in variety_map is neither changed nor deleted'); END;
