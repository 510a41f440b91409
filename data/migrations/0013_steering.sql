CREATE TABLE `camera_profile` (
	`seq` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`row_spacing` real NOT NULL,
	`side_offset` real NOT NULL,
	`aim` real NOT NULL,
	`quality` real NOT NULL,
	`straight` real NOT NULL,
	`flat` integer NOT NULL,
	`stand` integer NOT NULL,
	`wind` real NOT NULL,
	`speed` real NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "camera_profile_is_named" CHECK("camera_profile"."name" <> ''),
	CONSTRAINT "camera_profile_spacing" CHECK("camera_profile"."row_spacing" > 0),
	CONSTRAINT "camera_profile_quality" CHECK("camera_profile"."quality" between 0 and 1)
);
--> statement-breakpoint
CREATE TABLE `steering_drive` (
	`seq` integer PRIMARY KEY NOT NULL,
	`line` text NOT NULL,
	`file_name` text NOT NULL,
	`line_sensitivity` real,
	`heading_sensitivity` real,
	`heading_lead` real,
	`quality` text NOT NULL,
	`offs` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "steering_drive_has_a_line" CHECK("steering_drive"."line" <> '')
);
--> statement-breakpoint
CREATE TABLE `work_track` (
	`seq` integer PRIMARY KEY NOT NULL,
	`file_name` text NOT NULL,
	`passes` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `product` ADD `dose_low` real;--> statement-breakpoint
ALTER TABLE `product` ADD `dose_high` real;
--> statement-breakpoint
CREATE TRIGGER `steering_drive_no_update` BEFORE UPDATE ON `steering_drive` BEGIN SELECT RAISE(ABORT, 'what is on record in steering_drive is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `steering_drive_no_delete` BEFORE DELETE ON `steering_drive` BEGIN SELECT RAISE(ABORT, 'what is on record in steering_drive is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `camera_profile_no_update` BEFORE UPDATE ON `camera_profile` BEGIN SELECT RAISE(ABORT, 'what is on record in camera_profile is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `camera_profile_no_delete` BEFORE DELETE ON `camera_profile` BEGIN SELECT RAISE(ABORT, 'what is on record in camera_profile is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `work_track_no_update` BEFORE UPDATE ON `work_track` BEGIN SELECT RAISE(ABORT, 'what is on record in work_track is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `work_track_no_delete` BEFORE DELETE ON `work_track` BEGIN SELECT RAISE(ABORT, 'what is on record in work_track is neither changed nor deleted'); END;