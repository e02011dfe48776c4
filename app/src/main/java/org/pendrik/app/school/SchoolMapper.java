package org.pendrik.app.school;

import java.util.List;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.pendrik.app.store.MapperBean;
import org.springframework.stereotype.Component;

interface SchoolMapper {
    @Component
    class Bean extends MapperBean<SchoolMapper> {
        Bean() {
            super(SchoolMapper.class);
        }
    }

    /** An answer to a question. */
    record Row(String question, String answer) {}

    @Select("select question, answer from house_school order by question")
    List<Row> house();

    @Delete("delete from house_school")
    void clearHouse();

    @Insert("insert into house_school (question, answer) values (#{question}, #{answer})")
    void addHouse(Row r);

    @Select("select question, answer from job_school where job_id = #{jobId} order by question")
    List<Row> ofJob(UUID jobId);

    @Delete("delete from job_school where job_id = #{jobId}")
    void clearJob(UUID jobId);

    @Insert(
            """
            insert into job_school (job_id, question, answer)
            values (#{jobId}, #{r.question}, #{r.answer})
            """)
    void addJob(@Param("jobId") UUID jobId, @Param("r") Row r);
}
