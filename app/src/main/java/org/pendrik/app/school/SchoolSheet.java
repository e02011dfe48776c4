package org.pendrik.app.school;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.pendrik.app.store.Kept;
import org.pendrik.core.plan.Schools;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the answers of the house and of its jobs. */
@Service
public class SchoolSheet {
    private final SchoolMapper mapper;
    private final Kept<Schools.Choice> house;

    SchoolSheet(SchoolMapper mapper) {
        this.mapper = mapper;
        this.house = new Kept<>(choice(mapper.house()));
    }

    /** How the house does things. */
    public Schools.Choice house() {
        return house.get();
    }

    /** Where a job does things otherwise. */
    public Schools.Choice own(UUID jobId) {
        return choice(mapper.ofJob(jobId));
    }

    private static Schools.Choice choice(List<SchoolMapper.Row> rows) {
        Map<String, String> out = new LinkedHashMap<>();
        rows.forEach(r -> out.put(r.question(), r.answer()));
        return new Schools.Choice(out);
    }

    /** Stores the answers of the house; what is not named is as the program starts. */
    @Transactional
    public void saveHouse(Schools.Choice choice) {
        mapper.clearHouse();
        choice.answers().forEach((q, a) -> mapper.addHouse(new SchoolMapper.Row(q, a)));
        house.set(choice(mapper.house()));
    }

    /** Stores the answers of a job; what is not named is as the house has it. */
    @Transactional
    public void saveOwn(UUID jobId, Schools.Choice choice) {
        mapper.clearJob(jobId);
        choice.answers().forEach((q, a) -> mapper.addJob(jobId, new SchoolMapper.Row(q, a)));
    }
}
