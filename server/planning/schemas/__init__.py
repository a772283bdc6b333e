"""What the API of planning takes and answers, by what it is about."""
