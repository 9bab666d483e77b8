"""Plans, home weeks, groups, visit bags and batches: worked out by the core, stored as chosen."""
