ALTER TABLE `fact` RENAME COLUMN "person" TO "named";--> statement-breakpoint
ALTER TABLE `fact` ADD `device_of` text;--> statement-breakpoint
ALTER TABLE `fact` ADD `person` text GENERATED ALWAYS AS (case when device_of is null or lower(trim(named)) = lower(trim(device_of)) then named else named || ' (on ' || device_of || '’s device)' end) VIRTUAL NOT NULL;
